// Follows the tablet's own light or dark setting; loaded before the page paints.
(() => {
  const dark = matchMedia('(prefers-color-scheme: dark)');
  const apply = () => document.documentElement.setAttribute('data-bs-theme', dark.matches ? 'dark' : 'light');
  dark.addEventListener('change', apply);
  apply();
})();
