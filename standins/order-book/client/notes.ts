const [form, list] = [document.querySelector<HTMLFormElement>('#note')!, document.querySelector('#notes')!]
form.addEventListener('submit', (event) => {
  event.preventDefault()
  const note = String(new FormData(form).get('note')).trim()
  if (note === '') return
  list.append(Object.assign(document.createElement('li'), { textContent: note }))
  form.reset()
})
