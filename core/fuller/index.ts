export { fullerRight } from './fullerRight';
export { FULLER_MANNERS, fullerFor } from './manners';
export { closeUnder, dressPhrase, type PhraseToDress } from './byPhrase';
export { COMPANIES, type Company, type CompanyPlace } from './company';
