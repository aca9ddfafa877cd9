// Where the database did not answer, the page looks again; what was sent is not sent again.
(() => {
  const again = document.querySelector('[data-again]');
  if (again) setTimeout(() => location.replace(location.href), Number(again.dataset.again));
})();
