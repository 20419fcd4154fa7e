/** A thread that looks for the proposals of one run and ends: its computing holds nobody up. */
import { parentPort, workerData } from 'node:worker_threads';
import type { DatabaseAccess } from '../process/database-process.ts';
import { openStore, reasonOf } from '../store/connect.ts';
import type { TakenRun } from '../store/proposal-run-store.ts';
import { doProposalRun } from './proposal-run.ts';

export interface ProposalThreadData {
    access: DatabaseAccess;
    run: TakenRun;
    owner: string;
}

const { access, run, owner } = workerData as ProposalThreadData;
const store = openStore(access);
let trouble = '';
try {
    await doProposalRun(store, run, owner);
} catch (failure) {
    trouble = reasonOf(failure);
} finally {
    await store.close();
}
parentPort?.postMessage(trouble);
