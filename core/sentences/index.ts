export { says } from './findings';
export { because } from './reasons';
export { inAllPlaces, offers } from './remedies';
export { listed } from './listed';
export { beatsInWords } from './beats';
