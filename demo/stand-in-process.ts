/** The stand-in server as a process of its own, started by the supervisor for the demo. */
import { join } from 'node:path';
import { z } from 'zod';
import { fernhollow } from './fernhollow/site.ts';
import { startStandIn } from './stand-in.ts';

const environment = z
    .object({ EDGEMAP_STAND_IN_PORT: z.coerce.number().int(), EDGEMAP_DATA: z.string() })
    .parse(process.env);

const standIn = await startStandIn(fernhollow(), {
    port: environment.EDGEMAP_STAND_IN_PORT,
    logFile: join(environment.EDGEMAP_DATA, 'log', 'stand-in-requests.jsonl'),
});
console.log(`stand-in on port ${standIn.port}`);
process.send?.({ ready: true });
for (const name of ['SIGTERM', 'SIGINT'] as const)
    process.on(name, () => void standIn.close().then(() => process.exit(0)));
