// The by-scale mode: listens to the scale's stream, fills up live, and stops the maker at each line.
(() => {
  const panel = document.querySelector('.live-scale');
  if (!panel) return;
  const targetA = Number(panel.dataset.a);
  const targetTotal = Number(panel.dataset.total);
  const silentAfterMs = 2000;
  // Close enough to a line that the last drops decide.
  const slowG = 2;
  const near = 0.15;
  const byId = (id) => document.getElementById(id);
  let lineA = null;
  let lastHeard = 0;
  let lastWord = '';

  const say = (word) => {
    if (word !== lastWord) byId('scale-word').textContent = word;
    lastWord = word;
  };
  // A scale trembles five times a second: written anew each time, the judgement below would wait for it to hold still for ever.
  const trembles = 0.1;
  const written = {};
  const write = (id, grams) => {
    if (Math.abs(grams - written[id]) < trembles) return;
    written[id] = grams;
    byId(id).value = grams.toFixed(2);
    byId(id).dispatchEvent(new Event('input', { bubbles: true }));
  };

  // With several scales on the bench the maker says which; the first one heard is followed until then.
  const choice = byId('scale-name');
  const follow = (scale) => {
    if (![...choice.options].some((option) => option.value === scale)) choice.add(new Option(scale, scale));
    choice.closest('.field').hidden = choice.options.length < 2;
    return choice.value === scale;
  };
  choice.addEventListener('change', () => { lineA = null; });

  const show = ({ scale, grams, stable, jumped }) => {
    if (!follow(scale)) return;
    lastHeard = Date.now();
    byId('scale-grams').textContent = `${grams.toFixed(1)}\u00a0g`;
    byId('scale-fill').setAttribute('width', `${Math.min(100, Math.max(0, (90 * grams) / targetTotal)).toFixed(1)}%`);
    byId('scale-trouble').textContent = jumped ? 'The reading jumped: something touched the scale. Lift it, tare, and measure again.' : '';
    if (jumped) lineA = null;
    const target = lineA === null ? targetA : targetTotal;
    const part = lineA === null ? 'A' : 'B';
    if (grams > target + near * 4) say(`Too much ${part}`);
    else if (grams >= target - near) say(`Stop ${part}`);
    else if (grams >= target - slowG) say(`Slowly, ${part}`);
    else say(`Pour ${part}`);
    if (!stable || grams < target - near) return;
    if (lineA === null) {
      lineA = grams;
      write('partA', grams);
    } else if (grams > lineA + near * 4) {
      write('partB', grams);
    }
  };

  // One press after the other, however fast a glove is.
  let pressed = Promise.resolve();
  const press = (button, more = {}) => {
    const csrf = document.querySelector('meta[name="csrf"]');
    pressed = pressed.then(() => fetch('/scale/simulated', { method: 'POST', headers: { [csrf.dataset.header]: csrf.content }, body: new URLSearchParams({ press: button, ...more }) }));
  };

  byId('scale-listen').addEventListener('click', () => {
    byId('scale-live').hidden = false;
    byId('scale-listen').hidden = true;
    document.querySelector('input[name="by"][value="scale"]').checked = true;
    const stream = new EventSource('/scale/stream');
    lastHeard = Date.now();
    stream.onmessage = (event) => show(JSON.parse(event.data));
    setInterval(() => {
      if (Date.now() - lastHeard > silentAfterMs) byId('scale-trouble').textContent = 'The scale is silent: do not trust the number above.';
    }, 500);
  });
  for (const button of document.querySelectorAll('[data-scale]')) {
    button.addEventListener('click', () => {
      if (button.dataset.scale === 'pour') return press('pour', { to: (lineA === null ? targetA : targetTotal).toFixed(2), speed: '6' });
      press(button.dataset.scale);
      if (button.dataset.scale === 'cup') {
        lineA = null;
        press('tare');
      }
    });
  }
})();
