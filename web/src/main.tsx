import './app.css';

import { applyTheme, storedTheme } from './ui/theme';
import { loadLanguage } from './words/language';

// Parts of the primitives add style sheets of their own; they take the nonce from here.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
Object.assign(globalThis, { __webpack_nonce__: nonce });

applyTheme(storedTheme());
// The words come first: what is run after them may speak. The page has asked for the app's files already.
void loadLanguage().then(async () => (await import('./app')).start());
