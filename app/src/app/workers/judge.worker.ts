import './own-names';
import { judgeTake } from '@joined-hands/core/practice';
import { expose } from 'comlink';

const judge = { judge: judgeTake };

export type JudgeWorker = typeof judge;
expose(judge);
