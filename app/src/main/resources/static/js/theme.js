// Follows the tablet's own light or dark setting; loaded before the page paints.
(() => {
  const dark = matchMedia('(prefers-color-scheme: dark)');
  const apply = () => document.documentElement.setAttribute('data-bs-theme', dark.matches ? 'dark' : 'light');
  dark.addEventListener('change', apply);
  apply();
})();
// What a hand does before the other scripts are there counts: they find it noted, and leave it as the hand left it.
document.addEventListener('click', (event) => {
  const summary = event.target.closest && event.target.closest('summary');
  if (summary) summary.parentElement.dataset.byHand = 'yes';
}, true);
document.addEventListener('input', (event) => {
  event.target.dataset.typedAt = String(Date.now());
}, true);
// Room for the strips as they stood on the page before, or for one: what they say comes late, and must not push the page
// away, nor cover the bar of rooms of who opens it for the first time.
(() => {
  const kept = localStorage.getItem('strips');
  const [width, height] = kept ? kept.split(':').map(Number) : [window.innerWidth, window.innerWidth <= 820 ? 53 : 63];
  if (height && width === window.innerWidth) document.documentElement.style.setProperty('--strips', `${height}px`);
})();
