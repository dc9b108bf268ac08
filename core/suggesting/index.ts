export { type Taste, TASTES } from './schools';
export { chordsFor, type Scope, type Suggestion, suggestionsAt } from './toChanges';
