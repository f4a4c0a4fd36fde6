/** Looks of the bar. The host's own rules are marked important: the page's styles would win over them otherwise. */
export const BAR_STYLE = `
:host { all: initial !important; position: fixed !important; inset: 0 !important; width: auto !important; height: auto !important; margin: 0 !important;
  padding: 0 !important; border: 0 !important; background: none !important; pointer-events: none !important; z-index: 2147483647 !important;
  display: block !important; overflow: visible !important; color-scheme: light !important; }
.bar { position: absolute; left: 0; right: 0; bottom: 14px; margin: 0 auto; width: fit-content; max-width: calc(100vw - 24px); box-sizing: border-box; pointer-events: auto;
  background: #17212b; color: #fff; font: 14px/20px 'Source Sans 3', system-ui, sans-serif; padding: 7px 8px 7px 12px; border-left: 5px solid #5cc3ce; }
.bar.above { bottom: auto; top: 14px; }
.bar.out { opacity: 0; pointer-events: none; }
.row { display: flex; align-items: center; gap: 6px; flex-wrap: wrap; }
.state { font-weight: 700; padding-left: 18px; position: relative; }
.state::before { content: ''; position: absolute; left: 0; top: 4px; width: 10px; height: 10px; border: 2px solid #5cc3ce; box-sizing: border-box; background: #5cc3ce; }
[data-status='paused'] .state::before { background: none; }
.state { min-width: 62px; }
.count { font-variant-numeric: tabular-nums; white-space: nowrap; padding: 0 4px; min-width: 62px; }
.last { color: #c9d2da; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; width: 300px; }
@media (max-width: 800px) { .last { display: none; } }
button { font: inherit; color: #fff; background: none; border: 1px solid #7a8794; border-radius: 4px; min-height: 34px; padding: 0 11px; cursor: pointer; white-space: nowrap; }
button:hover:not(:disabled) { border-color: #fff; }
button:focus-visible, input:focus-visible { outline: 3px solid #5cc3ce; outline-offset: 2px; }
button:disabled { color: #8d99a5; border-color: #46525e; cursor: default; }
button.strong:not(:disabled) { background: #fff; color: #095660; border-color: #fff; font-weight: 700; }
button.even { min-width: 78px; }
button.small { padding: 0 9px; }
.choices { padding: 4px 0 10px; display: grid; grid-template-columns: 1fr 1fr; gap: 2px 18px; }
.choices[hidden] { display: none; }
.choices p, .choices .row { grid-column: 1 / -1; margin: 0 0 4px; }
.choices label { display: flex; gap: 8px; align-items: center; min-height: 30px; }
.choices input { width: 17px; height: 17px; accent-color: #5cc3ce; margin: 0; }
.trouble { margin: 0 0 8px; max-width: 560px; color: #e2b45c; }
.frame { position: absolute; border: 3px solid #0fb5c9; outline: 2px solid #17212b; pointer-events: none; display: none; }
.hint { position: absolute; left: 50%; top: 14px; transform: translateX(-50%); background: #17212b; color: #fff; font: 14px/20px system-ui, sans-serif; padding: 8px 14px; }
`
