// On the fitting bench: what lies on the flat is dragged there; where it comes to lie is worked out on the server.
(() => {
  let held = null;

  const at = (svg, event) => new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());

  document.addEventListener('pointerdown', (event) => {
    const item = event.target.closest && event.target.closest('.flat-item');
    if (!item) return;
    const svg = item.ownerSVGElement;
    held = { item, svg, from: at(svg, event), moved: false };
    svg.setPointerCapture(event.pointerId);
    event.preventDefault();
  });
  document.addEventListener('pointermove', (event) => {
    if (!held) return;
    const to = at(held.svg, event);
    const x = to.x - held.from.x;
    const y = to.y - held.from.y;
    // A tremble is no move.
    if (!held.moved && Math.hypot(x, y) < 1) return;
    held.moved = true;
    held.item.setAttribute('transform', `translate(${x} ${y})`);
  });
  const drop = (event) => {
    if (!held) return;
    const { item, svg, from, moved } = held;
    held = null;
    if (!moved) return;
    const to = at(svg, event);
    const x = Number(item.dataset.x) + to.x - from.x;
    const y = Number(item.dataset.y) + to.y - from.y;
    const id = document.getElementById('draft').dataset.id;
    htmx.ajax('POST', `/designs/${id}/draft`, { source: '#design-form', target: '#draft', swap: 'outerHTML', values: { press: `move-${item.dataset.place}-${x.toFixed(2)}_${y.toFixed(2)}` } });
  };
  document.addEventListener('pointerup', drop);
  document.addEventListener('pointercancel', drop);
})();
