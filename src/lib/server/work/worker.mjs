// A worker has no build of its own: it reads the sources, as the commands do.
import { register } from 'tsx/esm/api';
register();
export const { photo, paper, labels, owner, teamFile } = await import('./jobs.ts');
