/** A thread that packs one survey and ends: neither its time nor its memory are those of the process that asks. */
import { parentPort, workerData } from 'node:worker_threads';
import { encodeSections } from '../../core/packed/sections.ts';
import type { DatabaseAccess } from '../process/database-process.ts';
import { openStore, whileAway } from '../store/connect.ts';
import { getSurvey } from '../store/survey-store.ts';
import { makeAndSavePacked, makePacked } from './pack-survey.ts';

export interface PackRequest {
    access: DatabaseAccess;
    surveyId: number;
    /** Keep it in the database as well. */
    save: boolean;
    /** Hand its parts over. */
    wanted: boolean;
}

export type PackReply =
    { ok: true; parts: [part: string, bytes: Uint8Array<ArrayBuffer>][] } | { ok: false; say: string };

/** How long a database is waited for, milliseconds. */
const PATIENCE = 60_000;

async function pack({ access, surveyId, save, wanted }: PackRequest): Promise<PackReply> {
    const store = openStore(access);
    try {
        const survey = await whileAway(() => getSurvey(store.db, surveyId), PATIENCE);
        if (!survey) return { ok: false, say: 'the survey is gone' };
        // A database that restarts, or takes back a transaction because of another, is asked again.
        const { parts } = await whileAway(() => (save ? makeAndSavePacked : makePacked)(store.db, survey), PATIENCE);
        return {
            ok: true,
            parts: wanted ? [...parts].map(([part, sections]) => [part, encodeSections(sections)]) : [],
        };
    } catch (error) {
        return { ok: false, say: (error as Error).message };
    } finally {
        await store.close();
    }
}

const reply = await pack(workerData as PackRequest);
parentPort?.postMessage(reply, reply.ok ? reply.parts.map(([, bytes]) => bytes.buffer) : []);
