// Sets the colours before the first paint, so that the dark page never flashes light.
document.documentElement.dataset.theme = localStorage.getItem('navlo.theme') ?? 'system';
