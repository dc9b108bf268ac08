import { practiceFigures } from './bench-practise';
practiceFigures();
