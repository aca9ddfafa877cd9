// A broken line: what was touched is kept on the device, shown as waiting, and sent once when the line is back.
(() => {
  const KEPT = 'waiting-touches';
  const kept = () => JSON.parse(localStorage.getItem(KEPT) || '[]');
  const bar = document.getElementById('line');

  const connected = (yes) => {
    document.body.classList.toggle('unconnected', !yes);
    show();
  };

  const show = () => {
    const touches = kept();
    const waiting = touches.filter((touch) => !touch.refused);
    const parts = [];
    if (document.body.classList.contains('unconnected')) parts.push(part('Not connected: figures may be old. What you touch is kept here.'));
    if (waiting.length) parts.push(part(`${waiting.length} ${waiting.length === 1 ? 'touch waits' : 'touches wait'} to be sent: ${waiting.map((touch) => touch.label).join(', ')}`));
    for (const touch of touches.filter((one) => one.refused)) {
      const line = part(`${touch.label} was not logged: ${touch.refused}`);
      const look = document.createElement('a');
      look.href = touch.page;
      look.textContent = 'Look';
      const away = document.createElement('button');
      away.type = 'button';
      away.className = 'btn-big alarm-away';
      away.textContent = 'Put away';
      away.addEventListener('click', () => keep(kept().filter((one) => one.id !== touch.id)));
      line.append(' ', look, ' ', away);
      parts.push(line);
    }
    if (bar.dataset.shown === parts.map((line) => line.textContent).join('|')) return;
    bar.dataset.shown = parts.map((line) => line.textContent).join('|');
    bar.replaceChildren(...parts);
  };

  const part = (words) => {
    const line = document.createElement('p');
    line.className = 'alarm line-part';
    line.append(document.createElement('span'));
    line.firstChild.textContent = words;
    return line;
  };

  const keep = (touches) => {
    localStorage.setItem(KEPT, JSON.stringify(touches));
    show();
  };

  /** Whether shop and database answer within three seconds. */
  const reach = async () => {
    if (navigator.onLine === false) return false;
    const giveUp = new AbortController();
    const late = setTimeout(() => giveUp.abort(), 3000);
    try {
      return (await fetch('/ping', { cache: 'no-store', signal: giveUp.signal })).ok;
    } catch {
      return false;
    } finally {
      clearTimeout(late);
    }
  };

  /** The moment of the touch on the shop's own clock, as a form writes it: minutes ago would be other ones later. */
  const moment = (minutesAgo) => {
    const root = document.documentElement;
    const at = new Date(Date.now() + Number(root.dataset.ahead || 0) - minutesAgo * 60000);
    const parts = Object.fromEntries(new Intl.DateTimeFormat('en-GB', { timeZone: root.dataset.zone || undefined, year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
      .formatToParts(at).map((one) => [one.type, one.value]));
    return `${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}`;
  };

  document.addEventListener('submit', async (event) => {
    const form = event.target;
    // What a button sends elsewhere is nothing to keep until the line is back: it would tell of another moment.
    if (!form.matches('[data-logs]') || form.dataset.sure || event.submitter?.hasAttribute('formaction')) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (form.dataset.asking) return;
    form.dataset.asking = 'yes';
    const there = await reach();
    delete form.dataset.asking;
    if (there) {
      form.dataset.sure = 'yes';
      form.requestSubmit(event.submitter);
      setTimeout(() => delete form.dataset.sure, 4000);
      return;
    }
    const body = new URLSearchParams(new FormData(form, event.submitter));
    if (/^\d+$/.test(body.get('when') || '')) {
      body.set('at', moment(Number(body.get('when'))));
      body.set('when', 'at');
    }
    const touch = { id: body.get('token'), to: form.action, page: location.pathname, label: `${form.dataset.logs}: ${event.submitter ? event.submitter.textContent.trim() : 'sent'}`, body: body.toString() };
    connected(false);
    keep([...kept().filter((one) => one.id !== touch.id), touch]);
  }, true);

  let sending = false;
  const sendKept = async () => {
    if (sending || !kept().some((touch) => !touch.refused)) return;
    sending = true;
    let sent = 0;
    try {
      if (!(await reach())) return;
      for (const touch of kept().filter((one) => !one.refused)) {
        const answer = await fetch(touch.to, { method: 'POST', headers: { 'Content-Type': 'application/x-www-form-urlencoded' }, body: touch.body });
        if (answer.status === 503) break;
        const left = kept().filter((one) => one.id !== touch.id);
        if (answer.ok) {
          sent += 1;
          keep(left);
        } else {
          const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
          const words = [...page.querySelectorAll('#faults li')].map((line) => line.textContent.trim()).join(' ');
          keep([...left, { ...touch, refused: words || page.title }]);
        }
      }
    } catch {
      connected(false);
    } finally {
      sending = false;
    }
    if (sent) location.reload();
  };

  document.addEventListener('htmx:sendError', () => connected(false));
  document.addEventListener('htmx:afterOnLoad', () => { if (document.body.classList.contains('unconnected')) connected(true); });
  window.addEventListener('offline', () => connected(false));
  const back = async () => {
    if (document.body.classList.contains('unconnected') && (await reach())) connected(true);
    sendKept();
  };
  window.addEventListener('online', back);
  setInterval(back, 5000);
  show();
  sendKept();

  // A button of a form that does something else, such as Begin: what is typed beside it is there again after.
  const typedHere = () => `typed ${location.pathname}`;
  document.addEventListener('submit', (event) => {
    if (!event.submitter?.hasAttribute('formaction')) return;
    const typed = [...new FormData(event.target)].filter(([name, value]) => !['token', '_csrf', 'step'].includes(name) && typeof value === 'string');
    sessionStorage.setItem(typedHere(), JSON.stringify(typed));
  });
  for (const [name, value] of JSON.parse(sessionStorage.getItem(typedHere()) || '[]')) {
    for (const field of document.querySelectorAll(`#log [name="${CSS.escape(name)}"]`)) {
      if (field.type === 'radio') field.checked = field.value === value;
      else if (['text', 'textarea', 'datetime-local'].includes(field.type)) field.value = value;
    }
  }
  sessionStorage.removeItem(typedHere());
})();
