// npm run unit:thorough tries all that can be tried; npm test a third of it, by chance, so that it stays quick.
Object.assign(globalThis, {
  isThorough: process.env['THOROUGH'] === 'yes',
  isMutating: process.env['MUTANTS_TESTS'] !== undefined,
});
