import { doTask, type Task } from './tasks.ts';

/** What a thread of the pool runs. */
export default (task: Task): Promise<unknown> => doTask(task);
