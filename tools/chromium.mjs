// Finds the browser of the journeys, and installs it where it is missing, while npm test does what needs none.
import { chromium } from './setup.mjs';

process.exitCode = chromium() ? 0 : 1;
