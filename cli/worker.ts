/** The worker process: surveys what is waiting. Started by the supervisor. */
import { cleanConsole } from '../src/lib/server/process/clean-output.ts';
import { openDataFolder, dataFolderPath } from '../src/lib/server/process/data-folder.ts';
import { databaseAccess } from '../src/lib/server/process/database-process.ts';
import { stayBehind } from '../src/lib/server/process/own-thread.ts';
import { openStore } from '../src/lib/server/store/connect.ts';
import { workerLoop } from '../src/lib/server/jobs/worker-loop.ts';

cleanConsole();
// Before its threads are made: they are as it is.
stayBehind();
const folder = openDataFolder(dataFolderPath());
const store = openStore(databaseAccess(folder));
const end = new AbortController();
for (const name of ['SIGTERM', 'SIGINT'] as const) process.on(name, () => end.abort());

await workerLoop(store, folder.path, end.signal, (line) => console.log(`${new Date().toISOString()} ${line}`));
process.exit(0);
