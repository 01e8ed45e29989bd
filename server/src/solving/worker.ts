// Loaded before the first task, whose time is limited.
import '@jobbet/print/pdf';
import '@jobbet/print/sheet';
import { doTask, type Task } from './tasks.ts';

/** What a thread of the pool runs. */
export default (task: Task): Promise<unknown> => doTask(task);
