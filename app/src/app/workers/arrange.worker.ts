import './own-names';
import { expose } from 'comlink';
import { arranging } from './arranging';

expose(arranging());
