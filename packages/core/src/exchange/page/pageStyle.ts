/** How a stand-alone page looks. The company's colour is set where it is used. */
export const PAGE_STYLE = `
:root{--ink:#17212b;--soft:#4a5662;--hair:#d5dbe0;--wash:#f2f4f5;--colour:#095660}
*{box-sizing:border-box}
html{background:var(--wash)}
body{margin:0;color:var(--ink);font:16px/1.5 'Source Sans 3',system-ui,sans-serif}
.sheet{max-width:860px;margin:0 auto;padding:24px 20px 120px;background:#fff;min-height:100vh}
h1,h2.title{font:600 30px/1.2 Literata,Georgia,serif;margin:.2em 0}
h2,h3.part{font-size:20px;margin:1.6em 0 .4em}
a{color:var(--colour);text-underline-offset:3px}
.company{display:flex;gap:12px;align-items:center;font-weight:600;color:var(--colour)}
.company img{height:30px}
.facts{display:flex;flex-wrap:wrap;gap:2px 22px;margin:.6em 0;padding:0;font-size:15px}
.facts dt{display:inline;color:var(--soft)}.facts dd{display:inline;margin:0 0 0 6px;font-weight:600}
.rule{border:0;border-top:2px solid var(--colour);margin:12px 0}
.summary{color:var(--soft)}
.signs{display:flex;flex-wrap:wrap;gap:8px 22px;list-style:none;margin:10px 0;padding:0}
.signs li{display:flex;gap:8px;align-items:center;font-size:14px}
.printed{display:flex;gap:14px;align-items:center;font-size:14px;color:var(--soft);margin:14px 0}
.contents ol{list-style:none;margin:6px 0;padding:0;columns:2 260px}
.contents li{padding:2px 0;break-inside:avoid}.contents .in{padding-left:16px}
.steps{border-left:2px solid var(--ink);padding-left:4px}
.step{position:relative;padding:14px 0 14px 40px;scroll-margin-top:16px}
.step>h3,.step>h4{position:absolute;left:0;top:18px;width:30px;margin:0;text-align:right;font-size:16px;font-variant-numeric:tabular-nums}
.words{font:18px/1.55 var(--face,Literata,Georgia,serif);overflow-wrap:anywhere}
.words>*{margin:0 0 10px}
.words ul,.words ol{padding-left:26px}
.words code,.words pre{font-family:'Source Code Pro',ui-monospace,monospace;font-size:15px;background:var(--wash)}
.words pre{padding:10px 14px;overflow-x:auto}
.words kbd{border:1px solid #7a8794;border-bottom-width:3px;border-radius:3px;padding:0 6px;font-size:14px}
.words table{border-collapse:collapse;font-size:16px;display:block;overflow-x:auto}
.words th,.words td{border:1px solid var(--hair);padding:5px 10px;text-align:left;vertical-align:top}
.words th{background:var(--wash)}
.caution{border:2px solid;margin:0 0 10px;background:#fff}
.caution b{display:inline-block;padding:2px 10px;letter-spacing:.04em}
.caution p{margin:6px 12px;white-space:pre-line}
figure{margin:12px 0}
figure svg{display:block;width:100%;height:auto;max-height:70vh;outline:1px solid var(--hair)}
figcaption ol{margin:6px 0;padding:0;list-style:none}
.ways{margin:10px 0;border-top:2px solid var(--ink);padding-top:8px}
.ways ul{margin:4px 0;padding-left:22px}
.quiz{margin:12px 0 12px 40px;border-left:4px solid var(--colour);background:var(--wash);padding:10px 14px;font-weight:600}
.closing{margin-top:24px;border-left:3px solid var(--colour);padding-left:14px;white-space:pre-line}
.bar{position:fixed;inset:auto 0 0;background:#fff;border-top:1px solid var(--hair);display:flex;gap:8px;justify-content:center;padding:8px}
.bar button{font:600 16px 'Source Sans 3',system-ui,sans-serif;min-height:48px;padding:0 18px;border:1px solid #7a8794;border-radius:6px;background:#fff;color:var(--ink)}
.bar button:disabled{opacity:.45}
.bar output{align-self:center;min-width:72px;text-align:center;font-variant-numeric:tabular-nums}
.single .step,.single .quiz,.single .contents,.single .closing,.single h2:not(.title),.single h3.part{display:none}
.single .step.here{display:block}
@media (max-width:600px){.sheet{padding:16px 14px 120px}.step{padding-left:32px}.step>h3,.step>h4{width:24px}h1,h2.title{font-size:25px}}
@media print{.bar,.contents{display:none}.sheet{max-width:none;padding:0}.single .step{display:block}.step{break-inside:avoid}html{background:#fff}}
`

/** What a stand-alone page does: step by step with buttons and arrow keys, or all at once. */
export const PAGE_SCRIPT = `
(function(){var steps=[].slice.call(document.querySelectorAll('.step'));var at=0;var body=document.body;var bar=document.querySelector('.bar');if(!bar||!steps.length)return;bar.hidden=false;
var view=bar.querySelector('[data-view]'),back=bar.querySelector('[data-back]'),next=bar.querySelector('[data-next]'),where=bar.querySelector('output');
function single(){return body.classList.contains('single')}
function show(focus){steps.forEach(function(s,n){s.classList.toggle('here',n===at)});back.disabled=at===0;next.disabled=at===steps.length-1;where.textContent=(at+1)+' / '+steps.length;view.textContent=single()?view.dataset.all:view.dataset.one;
if(focus){if(single())scrollTo(0,0);else steps[at].scrollIntoView({block:'start'});var h=steps[at].querySelector('h3,h4');if(h){h.tabIndex=-1;h.focus({preventScroll:true})}}}
function go(n){at=Math.max(0,Math.min(steps.length-1,n));show(true)}
function find(){var m=steps.findIndex(function(s){return '#'+s.id===location.hash});if(m>=0)go(m)}
back.onclick=function(){go(at-1)};next.onclick=function(){go(at+1)};view.onclick=function(){body.classList.toggle('single');show(true)};
addEventListener('keydown',function(e){if(e.altKey||e.ctrlKey||e.metaKey)return;if(e.key==='ArrowRight')go(at+1);if(e.key==='ArrowLeft')go(at-1)});
addEventListener('hashchange',find);show(false);find()})();
`
