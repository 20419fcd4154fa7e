/** The stand-in server as a process of its own, started by the supervisor for the demo: every edition at its address. */
import { join } from 'node:path';
import { z } from 'zod';
import { openDataFolder } from '../src/lib/server/process/data-folder.ts';
import { log, logInto } from '../src/lib/server/process/log.ts';
import { whenSupervisorIsGone } from '../src/lib/server/process/supervised.ts';
import { EDITIONS } from './fernhollow/editions.ts';
import { fernhollow } from './fernhollow/site.ts';
import { EDITION_ADDRESS } from './seed.ts';
import { startStandIn } from './stand-in.ts';

const environment = z
    .object({ EDGEMAP_STAND_IN_PORT: z.coerce.number().int(), EDGEMAP_DATA: z.string() })
    .parse(process.env);

const standIns = await Promise.all(
    EDITIONS.map((edition) =>
        startStandIn(fernhollow(edition), {
            port: environment.EDGEMAP_STAND_IN_PORT,
            address: EDITION_ADDRESS[edition],
            logFile: join(environment.EDGEMAP_DATA, 'log', `stand-in-${edition}.jsonl`),
        }),
    ),
);
logInto(openDataFolder(environment.EDGEMAP_DATA), 'stand-in');
log.info(`listening on port ${environment.EDGEMAP_STAND_IN_PORT}`);
process.send?.({ ready: true });
const end = (): void => void Promise.all(standIns.map((item) => item.close())).then(() => process.exit(0));
for (const name of ['SIGTERM', 'SIGINT'] as const) process.on(name, end);
whenSupervisorIsGone(end);
