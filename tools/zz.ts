import { browserFigures } from './bench-browser';
await browserFigures();
