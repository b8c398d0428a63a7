import '@fontsource-variable/archivo';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import './tokens.css';

createRoot(document.getElementById('root')!).render(<App />);
