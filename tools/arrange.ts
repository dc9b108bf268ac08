// The main work without a browser: npm run arrange -- IN --out DIR [options]
import { main } from './commandLine';

process.exitCode = main(process.argv.slice(2), console);
