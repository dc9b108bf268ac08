// The main work without a browser: npm run arrange -- IN --out DIR [options]
import { main } from './commandLine';
import { loadEngraver, stavesOf } from './engraver';

const argv = process.argv.slice(2);
// It is large: loaded only where a sheet has staves.
const hasStaves = argv.some((arg) => stavesOf(arg as Parameters<typeof stavesOf>[0]) !== null);
process.exitCode = main(argv, console, hasStaves ? await loadEngraver() : null);
