import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App, openAhead } from './app/App.tsx';
import './theme.css';

const root = document.getElementById('root');
if (root) {
  // drawn once, with its view in it: a page drawn without it first would have to be drawn again
  await openAhead();
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
