import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import './app/style.css';
import { applyKeptTheme } from './app/theme';

// The server lets those style elements count that carry the token of this page.
setNonce(document.querySelector<HTMLMetaElement>('meta[name=style-token]')?.content ?? '');
applyKeptTheme();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
