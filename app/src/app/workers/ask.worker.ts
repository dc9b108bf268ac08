import './own-names';
import { expose } from 'comlink';
import { asking } from './asking';

expose(asking());
