// What a page does by itself: the now line moves, countdowns count, and a window that opens or closes is fetched anew.
(() => {
  const root = document.documentElement;
  // The server's clock rules; a tablet's own may be off.
  const ahead = Number(root.dataset.serverMs) - Date.now();
  const now = () => Date.now() + ahead;
  root.dataset.ahead = Number(root.dataset.serverMs) ? ahead : 0;

  const words = (ms) => {
    const minutes = Math.max(0, Math.round(ms / 60000));
    if (minutes < 60) return `${minutes} min`;
    if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
    return `${Math.floor(minutes / 1440)} d ${Math.floor((minutes % 1440) / 60)} h`;
  };

  const moveNowLines = () => {
    for (const bar of document.querySelectorAll('[data-from][data-until]')) {
      const from = Number(bar.dataset.from);
      const part = (now() - from) / (Number(bar.dataset.until) - from);
      const line = bar.querySelector('.bar-now');
      const x = `${(Math.min(1, Math.max(0, part)) * 100).toFixed(3)}%`;
      line.setAttribute('x1', x);
      line.setAttribute('x2', x);
    }
  };

  const countDown = () => {
    let crossed = false;
    for (const clock of document.querySelectorAll('[data-until]:not([data-from])')) {
      const left = Number(clock.dataset.until) - now();
      const text = words(left);
      if (clock.textContent !== text) clock.textContent = text;
      if (left <= 0 && !clock.dataset.crossed) {
        clock.dataset.crossed = 'yes';
        crossed = true;
      }
    }
    if (crossed && window.htmx) window.htmx.trigger(document.body, 'window-moved');
  };

  // Three beeps, made on the spot: nothing to load, nothing to miss. Says whether it was heard: a browser may want a
  // touch first.
  const beep = async () => {
    const sound = new AudioContext();
    if (sound.state !== 'running') await Promise.race([sound.resume().catch(() => {}), new Promise((done) => setTimeout(done, 400))]);
    if (navigator.vibrate && navigator.userActivation && navigator.userActivation.hasBeenActive) navigator.vibrate([200, 120, 200, 120, 200]);
    if (sound.state !== 'running') {
      sound.close();
      return false;
    }
    for (const at of [0, 0.3, 0.6]) {
      const tone = sound.createOscillator();
      tone.frequency.value = 880;
      tone.connect(sound.destination);
      tone.start(sound.currentTime + at);
      tone.stop(sound.currentTime + at + 0.18);
    }
    return true;
  };

  // The pot: work until three quarters of its life, then hurry, then stop.
  const watchPot = () => {
    const pot = document.querySelector('[data-pot-until]');
    if (!pot) return;
    const from = Number(pot.dataset.potFrom);
    const part = (now() - from) / (Number(pot.dataset.potUntil) - from);
    const word = part >= 1 ? 'Stop' : part >= 0.75 ? 'Hurry' : 'Work';
    const shown = pot.querySelector('.pot-word');
    pot.classList.toggle('hurry', word === 'Hurry');
    pot.classList.toggle('closed', word === 'Stop');
    if (shown.textContent !== word) {
      shown.textContent = word;
      if (document.getElementById('pot-sound').checked) beep();
    }
  };

  // A timer's end is kept on the device: it survives a reload, a sleep and another tab, and rings once.
  const timerKey = (timer) => {
    const guide = timer.closest('.guide');
    return `timer-${guide ? guide.dataset.guide : location.pathname}-${[...(guide || document).querySelectorAll('.timer')].indexOf(timer)}`;
  };
  document.addEventListener('click', (event) => {
    const timer = event.target.closest('.timer');
    if (timer) localStorage.setItem(timerKey(timer), String(Date.now() + Number(timer.dataset.seconds) * 1000));
  });
  const runTimers = () => {
    for (const timer of document.querySelectorAll('.timer')) {
      const key = timerKey(timer);
      const ends = Number(localStorage.getItem(key));
      if (!ends) continue;
      const left = Math.ceil((Math.abs(ends) - Date.now()) / 1000);
      const text = left > 0 ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : 'done';
      if (timer.textContent !== text) timer.textContent = text;
      if (left <= 0 && ends > 0) {
        localStorage.setItem(key, String(-ends));
        beep();
      }
    }
  };

  // A guided sequence: one step in hand at a time; the tablet remembers which, so that a reload does not lose the place.
  // What was touched on another tablet is past on this one too.
  const placeOf = (guide) => Math.max(Number(localStorage.getItem(`guide-${guide.dataset.guide}`) || 0), Number(guide.dataset.at || 0));
  const lead = () => {
    for (const guide of document.querySelectorAll('.guide')) {
      const at = placeOf(guide);
      guide.classList.add('led');
      [...guide.children].forEach((step, i) => {
        step.classList.toggle('past', i < at);
        step.classList.toggle('now', i === at);
        if (i === at) step.setAttribute('aria-current', 'step');
        else step.removeAttribute('aria-current');
      });
    }
  };
  document.addEventListener('click', (event) => {
    const next = event.target.closest('.guide .next');
    if (!next) return;
    const guide = next.closest('.guide');
    const at = placeOf(guide) + 1;
    localStorage.setItem(`guide-${guide.dataset.guide}`, at);
    lead();
    const step = guide.children[at];
    if (!step) return;
    const timer = step.querySelector('.timer');
    if (timer) timer.click();
    (step.querySelector('.next') || timer).focus();
  });

  // Banners: shown until put away on this tablet, and heard once if wanted.
  const put = (store, key) => { const kept = JSON.parse(store.getItem(key) || '[]'); return { has: (name) => kept.includes(name), add: (name) => store.setItem(key, JSON.stringify([...kept.slice(-200), name])) }; };
  let ringing = false;
  const ring = async () => {
    const standing = [...document.querySelectorAll('[data-alarm]')].filter((alarm) => !put(localStorage, 'alarms-away').has(alarm.dataset.alarm));
    for (const alarm of document.querySelectorAll('[data-alarm]')) alarm.hidden = alarm !== standing[0];
    if (!standing.length) return;
    const more = standing[0].querySelector('.alarm-more');
    more.hidden = standing.length < 2;
    more.textContent = `+${standing.length - 1}`;
    more.setAttribute('aria-label', `and ${standing.length - 1} more`);
    const unheard = standing.filter((alarm) => !put(localStorage, 'alarms-heard').has(alarm.dataset.alarm));
    if (!unheard.length || ringing || localStorage.getItem('alarm-sound') !== 'yes') return;
    ringing = true;
    const heard = await beep();
    ringing = false;
    if (heard) for (const alarm of unheard) put(localStorage, 'alarms-heard').add(alarm.dataset.alarm);
    standing[0].querySelector('.alarm-tap').hidden = heard;
  };
  document.addEventListener('click', (event) => { if (event.target.closest('.alarm-tap')) ring(); });
  document.addEventListener('click', (event) => {
    const away = event.target.closest('.alarm-away');
    if (!away) return;
    const alarm = away.closest('[data-alarm]');
    if (!alarm) return;
    put(localStorage, 'alarms-away').add(alarm.dataset.alarm);
    put(localStorage, 'alarms-heard').add(alarm.dataset.alarm);
    ring();
  });
  // A strip comes while a finger is on its way to a button: the page stays where it is, and the strip lies over its
  // top. Room once taken is kept until the next page.
  const strips = document.getElementById('strips');
  let room = parseFloat(root.style.getPropertyValue('--strips')) || 0;
  const keepStill = () => {
    const height = strips.getBoundingClientRect().height;
    if (!document.querySelector('[data-unasked]')) localStorage.setItem('strips', `${window.innerWidth}:${height}`);
    if (height <= room) return;
    const more = height - room;
    room = height;
    root.style.setProperty('--strips', `${room}px`);
    document.body.style.minHeight = `calc(100vh + ${room}px)`;
    // Where a browser holds a scrolled page in its place itself, doing it too would move it twice.
    if (window.scrollY === 0 || !CSS.supports('overflow-anchor', 'auto')) window.scrollBy({ top: more, behavior: 'instant' });
  };
  new ResizeObserver(keepStill).observe(strips);

  // Folds stay as this device last had them, on every page that has one of the name.
  const fold = () => {
    for (const part of document.querySelectorAll('details[data-fold]:not([data-folded])')) {
      part.dataset.folded = 'yes';
      const kept = localStorage.getItem(`fold-${part.dataset.fold}`);
      if (part.dataset.byHand) {
        // Opened or shut before this script was there.
        localStorage.setItem(`fold-${part.dataset.fold}`, part.open ? 'open' : 'shut');
      } else if (kept && !part.querySelector('.wrong, #faults')) part.open = kept === 'open';
      if (location.hash && part.id === location.hash.slice(1)) part.open = true;
      part.querySelector('summary').addEventListener('click', () =>
        localStorage.setItem(`fold-${part.dataset.fold}`, part.open ? 'shut' : 'open'));
    }
  };

  // What was typed before the scripts were there is worked out once they are: a form that listens now did not then.
  document.addEventListener('DOMContentLoaded', () => {
    const early = [...document.querySelectorAll('form[hx-trigger] [data-typed-at]')];
    for (const form of new Set(early.map((field) => field.form))) early.find((field) => field.form === form).dispatchEvent(new Event('change', { bubbles: true }));
  });

  // A part that is fetched anew keeps what the hand left in it: folds, what was typed meanwhile, where the focus was.
  const marks = (part) => {
    const seen = {};
    const named = (element, name) => {
      seen[name] = (seen[name] || 0) + 1;
      return [`${name}#${seen[name]}`, element];
    };
    const folds = new Map([...part.querySelectorAll('details')].map((fold) => named(fold, `fold ${fold.dataset.fold || fold.querySelector('summary')?.textContent.trim()}`)));
    const fields = new Map([...part.querySelectorAll('input:not([type=hidden]), select, textarea')].map((field) => named(field, `field ${field.form?.getAttribute('action')} ${field.name} ${field.type === 'radio' ? field.value : ''}`)));
    return { folds, fields };
  };
  let left = null;
  document.addEventListener('htmx:beforeRequest', (event) => { event.detail.xhr.sentAt = Date.now(); });
  document.addEventListener('htmx:beforeSwap', (event) => {
    const target = event.detail.target;
    const { folds, fields } = marks(target);
    const sentAt = event.detail.xhr.sentAt || 0;
    left = {
      folds: [...folds].filter(([, fold]) => fold.dataset.byHand).map(([name, fold]) => [name, fold.open]),
      typed: [...fields].filter(([, field]) => Number(field.dataset.typedAt || 0) > sentAt).map(([name, field]) => [name, field.value, field.checked]),
      focus: [...fields].filter(([, field]) => field === document.activeElement).map(([name, field]) => [name, field.selectionStart])[0],
      id: target.id,
    };
  });
  const putBack = () => {
    const part = left && left.id && document.getElementById(left.id);
    if (!part) return;
    const { folds, fields } = marks(part);
    for (const [name, open] of left.folds) {
      const fold = folds.get(name);
      if (fold) { fold.open = open; fold.dataset.byHand = 'yes'; }
    }
    for (const [name, value, checked] of left.typed) {
      const field = fields.get(name);
      if (!field) continue;
      if (field.type === 'radio' || field.type === 'checkbox') field.checked = checked;
      else field.value = value;
      field.dataset.typedAt = String(Date.now());
    }
    if (left.focus && fields.get(left.focus[0]) && document.activeElement === document.body) {
      const field = fields.get(left.focus[0]);
      field.focus({ preventScroll: true });
      if (left.focus[1] !== null && field.setSelectionRange && field.type === 'text') field.setSelectionRange(left.focus[1], left.focus[1]);
    }
    left = null;
  };

  // Which rows of an editor are open goes with the form, so that they stay so when it comes back.
  document.addEventListener('toggle', (event) => {
    const row = event.target.closest('.edit-rows li');
    if (row) row.querySelector('.row-open').value = event.target.open ? 'yes' : '';
  }, true);

  // What the button is going to log, in words beside it.
  const echo = () => {
    for (const words of document.querySelectorAll('[data-echo]')) {
      const fields = [...words.closest('form').elements].filter((field) => field.name === words.dataset.echo);
      const chosen = fields.find((field) => field.type === 'radio' && field.checked);
      const text = fields.find((field) => field.type === 'text');
      const said = chosen && chosen.nextElementSibling.firstElementChild || chosen && chosen.nextElementSibling;
      if (text) words.textContent = /^[\d.,]+$/.test(text.value.trim()) ? `${text.value.trim()} ${words.dataset.unit}` : text.value.trim();
      else if (said) words.textContent = said.textContent;
      if (chosen && chosen.value === 'at') words.textContent = chosen.form.querySelector('input[name="at"]').value.replace('T', ' ');
    }
  };
  // The main button is the one that fits the moment that is written about, not the moment of writing.
  const fit = () => {
    for (const form of document.querySelectorAll('form:has([data-fits-from])')) {
      const when = form.querySelector('[name="when"]:checked');
      if (!when) continue;
      const at = form.querySelector('input[name="at"]').value;
      const ago = new Date(now() - Number(when.value) * 60000);
      // The Swedish way of writing a moment is the one a time input has.
      const local = when.value === 'at' ? at : ago.toLocaleString('sv-SE', { timeZone: root.dataset.zone }).replace(' ', 'T').slice(0, 16);
      const buttons = [...form.querySelectorAll('[data-fits-from], [data-fits-until]')];
      const fits = (button) => (!button.dataset.fitsFrom || local >= button.dataset.fitsFrom) && (!button.dataset.fitsUntil || local < button.dataset.fitsUntil);
      // Where none fits yet, the one that will is still the one to press.
      const main = buttons.find(fits) || buttons[0];
      for (const button of buttons) {
        button.classList.toggle('quiet-btn', !fits(button));
        button.classList.toggle('go', button === main);
      }
    }
  };
  for (const event of ['input', 'change']) {
    document.addEventListener(event, echo);
    document.addEventListener(event, fit);
  }

  // A page that was filled for one step is asked for anew when another is next, unless something was typed into it.
  const isInHand = (form) => form.contains(document.activeElement) || form.querySelector('[data-typed-at], details[data-by-hand]');
  const follow = () => {
    const form = document.getElementById('log');
    const now = document.getElementById('now');
    if (!form || !now || !now.dataset.step || now.dataset.step === form.dataset.step) return;
    if (isInHand(form) || form.dataset.sent || document.querySelector('.wrong, #faults')) return;
    location.reload();
  };

  // "/" is the way to the find box, from wherever nothing is being typed.
  document.addEventListener('keydown', (event) => {
    if (event.key !== '/' || event.ctrlKey || event.metaKey || event.target.matches('input, textarea, select')) return;
    event.preventDefault();
    document.getElementById('rail-find').focus();
  });
  // A filter that is touched acts at once.
  document.addEventListener('change', (event) => {
    if (event.target.closest('.find-cups') && event.target.matches('select, [type="radio"]')) event.target.form.requestSubmit();
  });

  // A word of the trade is explained where it stands; touched again, the explanation goes.
  document.addEventListener('click', (event) => {
    const word = event.target.closest('.word');
    if (!word) return;
    event.preventDefault();
    const shown = word.nextElementSibling;
    if (shown && shown.classList.contains('meaning')) {
      shown.remove();
      return;
    }
    const meaning = document.createElement('span');
    meaning.className = 'meaning';
    meaning.setAttribute('role', 'status');
    word.after(meaning);
    meaning.textContent = word.dataset.meaning;
  });

  // Figures that changed where nobody looks are said aloud.
  document.addEventListener('htmx:afterSwap', () => {
    const announced = document.querySelector('[data-announce]');
    const aloud = document.getElementById('aloud');
    if (announced && aloud.textContent !== announced.dataset.announce) aloud.textContent = announced.dataset.announce;
  });

  // What was logged is said aloud: a live region speaks of what changes in it, not of what it was born with.
  for (const said of document.querySelectorAll('[data-say]')) {
    const words = said.textContent;
    said.textContent = '';
    setTimeout(() => { said.textContent = words; }, 150);
  }

  // The screen stays awake while a mix is measured and stirred, if wished.
  let awake = null;
  const stayAwake = async () => {
    const wish = document.getElementById('stay-awake');
    if (!wish || !navigator.wakeLock) return;
    if (wish.checked && !awake && document.visibilityState === 'visible') awake = await navigator.wakeLock.request('screen').catch(() => null);
    if (!wish.checked && awake) { awake.release(); awake = null; }
  };
  const wish = document.getElementById('stay-awake');
  if (wish) {
    wish.checked = localStorage.getItem('stay-awake') === 'yes';
    wish.addEventListener('change', () => { localStorage.setItem('stay-awake', wish.checked ? 'yes' : 'no'); stayAwake(); });
    document.addEventListener('visibilitychange', () => { awake = null; stayAwake(); });
    stayAwake();
  }

  const sound = document.getElementById('alarm-sound');
  if (sound) {
    sound.checked = localStorage.getItem('alarm-sound') === 'yes';
    sound.addEventListener('change', () => {
      localStorage.setItem('alarm-sound', sound.checked ? 'yes' : 'no');
      if (sound.checked) beep();
    });
  }

  // The cure lab: a moment is chosen by slider or pointer, and read out with its values.
  const readLab = (at) => {
    const lab = document.querySelector('[data-lab]');
    if (!lab) return;
    const texts = lab.dataset.lab.split('|');
    const index = Math.min(texts.length - 1, Math.max(0, at));
    document.getElementById('lab-read').textContent = texts[index];
    for (const line of lab.querySelectorAll('.lab-now')) {
      const x = (64 + (560 * index) / (texts.length - 1)).toFixed(1);
      line.setAttribute('x1', x);
      line.setAttribute('x2', x);
    }
  };
  document.addEventListener('input', (event) => {
    if (event.target.id !== 'lab-at') return;
    event.stopPropagation();
    labAt = Number(event.target.value);
    readLab(labAt);
  }, true);
  // Where it was read stays when the play comes anew.
  let labAt = null;
  const readAgain = () => {
    const slider = document.getElementById('lab-at');
    if (!slider || labAt === null) return;
    slider.value = labAt;
    readLab(labAt);
  };
  document.addEventListener('change', (event) => { if (event.target.id === 'lab-at') event.stopPropagation(); }, true);
  document.addEventListener('pointermove', (event) => {
    const chart = event.target.closest && event.target.closest('.lab-chart');
    if (!chart) return;
    const box = chart.getBoundingClientRect();
    const at = Math.round((((event.clientX - box.left) / box.width) * 640 - 64) / 560 * 120);
    document.getElementById('lab-at').value = at;
    labAt = at;
    readLab(at);
  });

  const tick = () => {
    moveNowLines();
    countDown();
    watchPot();
    runTimers();
  };

  document.addEventListener('htmx:configRequest', (event) => {
    const csrf = document.querySelector('meta[name="csrf"]');
    if (csrf) event.detail.headers[csrf.dataset.header] = csrf.content;
    // A look changes nothing and needs no token, least of all in its address.
    if (event.detail.verb === 'get') for (const name of ['token', '_csrf']) delete event.detail.parameters[name];
  });
  document.addEventListener('htmx:afterSwap', () => { putBack(); tick(); ring().then(keepStill); fold(); echo(); fit(); follow(); readAgain(); });

  // Typing a time chooses "at …", in the form it was typed into.
  document.addEventListener('input', (event) => {
    const chooses = { at: 'when', startedAt: 'started' }[event.target.name];
    const radio = chooses && event.target.form && event.target.form.querySelector(`input[name="${chooses}"][value="at"]`);
    if (radio) radio.checked = true;
  }, true);

  // A page may move under a finger, or the part with the button be fetched anew meanwhile: a press that did not slide
  // still goes to what it began on.
  const SLID_PX = 12;
  const sameAs = (one) => [...document.querySelectorAll(one.tagName)].find((other) => ['name', 'value', 'href', 'textContent'].every((part) => (one[part] ?? '') === (other[part] ?? '')));
  let pressed = null;
  let pressedFor = null;
  document.addEventListener('pointerdown', (event) => {
    const on = event.button === 0 && event.target.closest('button, summary, label, a[href]');
    pressed = on ? { on, x: event.clientX, y: event.clientY } : null;
  }, true);
  document.addEventListener('pointercancel', () => { pressed = null; }, true);
  document.addEventListener('pointerup', (event) => {
    const press = pressed;
    pressed = null;
    if (!press || Math.hypot(event.clientX - press.x, event.clientY - press.y) > SLID_PX) return;
    const under = document.elementFromPoint(event.clientX, event.clientY);
    if (press.on.isConnected && press.on.contains(under)) return;
    const on = press.on.isConnected ? press.on : sameAs(press.on);
    if (!on) return;
    on.click();
    pressedFor = on;
    setTimeout(() => { pressedFor = null; }, 400);
  }, true);
  // Where the browser finds its way to it as well, once is enough.
  document.addEventListener('click', (event) => {
    if (!pressedFor || !event.isTrusted) return;
    event.preventDefault();
    event.stopPropagation();
    pressedFor = null;
  }, true);

  // A glove presses twice: the second press goes nowhere. The server would not count it either.
  document.addEventListener('submit', (event) => {
    const form = event.target;
    if (form.dataset.sent) {
      event.preventDefault();
      return;
    }
    form.dataset.sent = 'yes';
    setTimeout(() => delete form.dataset.sent, 4000);
  });

  for (const link of document.querySelectorAll('.rail nav a')) {
    const path = link.getAttribute('href');
    if (path === '/' ? location.pathname === '/' : location.pathname.startsWith(path)) link.setAttribute('aria-current', 'page');
  }
  // The zone this tablet is set to: proposed while nobody has chosen one, offered where it is another.
  const proposeZone = () => {
    const zones = document.getElementById('zone');
    const here = document.getElementById('zone-here');
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    if (!zones || !here || !zone || zone === zones.value || ![...zones.options].some((one) => one.value === zone)) return;
    const take = () => { zones.value = zone; here.hidden = true; };
    if (zones.dataset.assumed === 'true') {
      take();
      return;
    }
    here.querySelector('b').textContent = zone;
    here.querySelector('button').addEventListener('click', take);
    here.hidden = false;
  };
  proposeZone();
  lead();
  fold();
  echo();
  fit();
  const faults = document.getElementById('faults');
  if (faults) faults.focus();

  setInterval(tick, 1000);
  tick();

  // A screen that nobody touched for a while: it asks, and all that stands on it stays.
  const locked = document.getElementById('locked');
  if (locked) {
    document.body.addEventListener('htmx:responseError', (event) => {
      if (event.detail.xhr.status === 423 && !locked.open) locked.showModal();
    });
    locked.addEventListener('cancel', (event) => event.preventDefault());
    locked.querySelector('form').addEventListener('submit', async (event) => {
      event.preventDefault();
      const csrf = document.querySelector('meta[name="csrf"]');
      const secret = document.getElementById('locked-secret');
      const said = document.getElementById('locked-said');
      try {
        const answer = await fetch('/unlock', {
          method: 'POST',
          headers: { [csrf.dataset.header]: csrf.content, 'Content-Type': 'application/x-www-form-urlencoded' },
          body: new URLSearchParams({ 'unlock-secret': secret.value }),
        });
        if (answer.status === 204) {
          locked.close();
          said.textContent = '';
        } else {
          said.textContent = answer.status === 429 ? 'Too many tries: wait a minute.' : 'That was neither your PIN nor your password.';
        }
      } catch (gone) {
        said.textContent = 'No connection: try again when it is back.';
      }
      secret.value = '';
      if (locked.open) secret.focus();
    });
  }

  // A secret typed with gloves on can be looked at before it is sent.
  for (const secret of document.querySelectorAll('input[type="password"]')) {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'show-secret';
    button.textContent = 'Show';
    button.setAttribute('aria-pressed', 'false');
    button.setAttribute('aria-label', `Show: ${secret.labels.length ? secret.labels[0].textContent.trim() : 'what is typed'}`);
    button.addEventListener('click', () => {
      const shown = secret.type === 'text';
      secret.type = shown ? 'password' : 'text';
      button.textContent = shown ? 'Show' : 'Hide';
      button.setAttribute('aria-pressed', String(!shown));
    });
    secret.after(button);
  }
})();
