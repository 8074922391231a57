import './styles.css';
import { setNonce } from 'get-nonce';
import { createRoot } from 'react-dom/client';
import { App } from './app';

// By this number the page's policy knows the styles that its own parts write.
setNonce(document.querySelector<HTMLMetaElement>('meta[name=styles]')?.content ?? '');

const root = document.getElementById('root');
if (root) createRoot(root).render(<App />);

// What was last read can be read without a connection; in development the newest page is wanted.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/worker.js').catch(() => undefined);
}
