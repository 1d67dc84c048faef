import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import '../app/theme.css';
import { Hints } from '../ui/Hint.tsx';
import { Parts } from './Parts.tsx';

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <BrowserRouter>
      <Hints>
        <Parts />
      </Hints>
    </BrowserRouter>
  </StrictMode>,
);
