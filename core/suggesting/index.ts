export { type Taste, TASTES } from './tastes';
export { chordsFor, type Scope, type Suggestion, suggestionsAt } from './toChanges';
