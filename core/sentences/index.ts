export { says } from './findings';
export { because } from './reasons';
export { offers } from './remedies';
export { listed } from './listed';
export { beatsInWords } from './beats';
