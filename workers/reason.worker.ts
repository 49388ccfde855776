import * as Comlink from 'comlink';
import { Reasoner } from './reasoner';

export type ReasonApi = Reasoner;

Comlink.expose(new Reasoner());
