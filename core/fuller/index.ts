export { fullerRight } from './fullerRight';
export { FULLER_MANNERS, fullerFor } from './manners';
export { closeUnder, dressPhrase, type PhraseToDress } from './byPhrase';
export { type CompanyPlace } from './company';
