import { register } from 'tsx/esm/api';

/** From here on this process reads TypeScript as it is written. */
register();
