import { expose } from 'comlink';
import { Desk } from '../shared/solve/desk.ts';
import { handlersOf } from './handlers.ts';

expose(handlersOf(new Desk()));
