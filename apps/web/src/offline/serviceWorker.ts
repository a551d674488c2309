/** Lets the app open without a network. Only where it was built for it: the tests of single screens have no such file. */
export function registerServiceWorker(): void {
  if (typeof navigator === 'undefined' || !('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production')
    return;
  const register = () => {
    navigator.serviceWorker.register('/sw.js').catch((error: unknown) => {
      // A browser that forbids it, as in a private window: everything works, but not without a network.
      console.warn('The app cannot be kept for use without a network.', error);
    });
  };
  // After the first screen, which it would slow down.
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}
