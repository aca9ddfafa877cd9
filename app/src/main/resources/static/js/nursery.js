// What a page does by itself: the now line moves, countdowns count, and a window that opens or closes is fetched anew.
(() => {
  const root = document.documentElement;
  // The server's clock rules; a tablet's own may be off.
  const ahead = Number(root.dataset.serverMs) - Date.now();
  const now = () => Date.now() + ahead;

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

  // Three beeps, made on the spot: nothing to load, nothing to miss.
  const beep = () => {
    const sound = new AudioContext();
    for (const at of [0, 0.3, 0.6]) {
      const tone = sound.createOscillator();
      tone.frequency.value = 880;
      tone.connect(sound.destination);
      tone.start(sound.currentTime + at);
      tone.stop(sound.currentTime + at + 0.18);
    }
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

  document.addEventListener('click', (event) => {
    const timer = event.target.closest('.timer');
    if (timer) timer.dataset.ends = Date.now() + Number(timer.dataset.seconds) * 1000;
  });
  const runTimers = () => {
    for (const timer of document.querySelectorAll('.timer[data-ends]')) {
      const left = Math.ceil((Number(timer.dataset.ends) - Date.now()) / 1000);
      timer.textContent = left > 0 ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : 'done';
      if (left <= 0) {
        delete timer.dataset.ends;
        beep();
      }
    }
  };

  // A guided sequence: one step in hand at a time; the tablet remembers which, so that a reload does not lose the place.
  const lead = () => {
    for (const guide of document.querySelectorAll('.guide')) {
      const at = Number(sessionStorage.getItem(`guide-${guide.dataset.guide}`) || 0);
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
    const key = `guide-${guide.dataset.guide}`;
    const at = Number(sessionStorage.getItem(key) || 0) + 1;
    sessionStorage.setItem(key, at);
    lead();
    const step = guide.children[at];
    if (!step) return;
    const timer = step.querySelector('.timer');
    if (timer) timer.click();
    (step.querySelector('.next') || timer).focus();
  });

  // Banners: shown until put away on this tablet, and heard once if wanted.
  const put = (store, key) => { const kept = JSON.parse(store.getItem(key) || '[]'); return { has: (name) => kept.includes(name), add: (name) => store.setItem(key, JSON.stringify([...kept.slice(-200), name])) }; };
  const ring = () => {
    for (const alarm of document.querySelectorAll('[data-alarm]')) {
      const name = alarm.dataset.alarm;
      alarm.hidden = put(localStorage, 'alarms-away').has(name);
      if (alarm.hidden || put(localStorage, 'alarms-heard').has(name)) continue;
      put(localStorage, 'alarms-heard').add(name);
      if (localStorage.getItem('alarm-sound') === 'yes') beep();
    }
  };
  document.addEventListener('click', (event) => {
    const away = event.target.closest('.alarm-away');
    if (!away) return;
    put(localStorage, 'alarms-away').add(away.closest('[data-alarm]').dataset.alarm);
    ring();
  });
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
    readLab(Number(event.target.value));
  }, true);
  document.addEventListener('change', (event) => { if (event.target.id === 'lab-at') event.stopPropagation(); }, true);
  document.addEventListener('pointermove', (event) => {
    const chart = event.target.closest && event.target.closest('.lab-chart');
    if (!chart) return;
    const box = chart.getBoundingClientRect();
    const at = Math.round((((event.clientX - box.left) / box.width) * 640 - 64) / 560 * 120);
    document.getElementById('lab-at').value = at;
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
  });
  document.addEventListener('htmx:afterSwap', () => { tick(); ring(); });

  // Typing a time chooses "at …".
  document.addEventListener('input', (event) => {
    const chooses = { at: 'when', startedAt: 'started' }[event.target.id];
    const radio = chooses && document.querySelector(`input[name="${chooses}"][value="at"]`);
    if (radio) radio.checked = true;
  });

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
  // Where the database did not answer, the page looks again; what was sent is not sent again.
  const again = document.querySelector('[data-again]');
  if (again) setTimeout(() => location.replace(location.href), Number(again.dataset.again));
  lead();
  const faults = document.getElementById('faults');
  if (faults) faults.focus();

  setInterval(tick, 1000);
  tick();
})();
