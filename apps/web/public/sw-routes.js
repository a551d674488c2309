// Taken in by the service worker: what is asked of the server goes straight to it. The worker does not wake up for it, and
// a request that hangs does not hold up the change to a newer app.
self.addEventListener('install', (event) => {
  const straight = (urlPattern) => ({ condition: { urlPattern }, source: 'network' });
  event.addRoutes?.(['/api/*', '/healthz', '/readyz'].map(straight));
});
