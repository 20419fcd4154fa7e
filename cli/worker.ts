/** The worker process: surveys what is waiting. Started by the supervisor. */
import { logInto } from '../src/lib/server/process/log.ts';
import { openDataFolder, dataFolderPath, registered } from '../src/lib/server/process/data-folder.ts';
import { databaseAccess, endAbandonedDatabase } from '../src/lib/server/process/database-process.ts';
import { keepLittleGarbage } from '../src/lib/server/process/engine.ts';
import { stayBehind } from '../src/lib/server/process/own-thread.ts';
import { whenSupervisorIsGone } from '../src/lib/server/process/supervised.ts';
import { openStore } from '../src/lib/server/store/connect.ts';
import { proposalLoop } from '../src/lib/server/jobs/proposal-loop.ts';
import { workerLoop } from '../src/lib/server/jobs/worker-loop.ts';

// Before its threads are made: they are as it is.
stayBehind();
keepLittleGarbage();
const folder = openDataFolder(dataFolderPath());
logInto(folder, 'worker');
const store = openStore(databaseAccess(folder));
const end = new AbortController();
for (const name of ['SIGTERM', 'SIGINT'] as const) process.on(name, () => end.abort());
const database = registered(folder, 'database');
let alone = false;
whenSupervisorIsGone(() => {
    alone = true;
    end.abort();
});

process.send?.({ ready: true });
await Promise.all([workerLoop(store, folder.path, end.signal), proposalLoop(store, end.signal)]);
// Of those a dead supervisor leaves, the worker is the one that has no visitors: it ends the database.
if (alone) await endAbandonedDatabase(folder, database);
process.exit(0);
