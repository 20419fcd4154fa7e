/** A thread that packs one survey and ends: neither its time nor its memory are those of the process that asks. */
import { parentPort, workerData, type MessagePort } from 'node:worker_threads';
import { encodeSections, type Sections } from '../../core/packed/sections.ts';
import type { WordIndexMaker } from '../../core/text/word-index.ts';
import type { DatabaseAccess } from '../process/database-process.ts';
import { openStore, whileAway, type Database } from '../store/connect.ts';
import type { StoredPart } from '../store/packed-store.ts';
import { getSurvey, type Survey } from '../store/survey-store.ts';
import { gatherWords, makeAndSaveWords } from './make-words.ts';
import type { WordsStep } from './words-step.ts';
import { makeAndSavePacked, makePacked, remeasure } from './pack-survey.ts';

export interface PackRequest {
    access: DatabaseAccess;
    surveyId: number;
    /**
     * What is made: all of it from the rows, kept in the database or not; or the measures from the facts kept of a revision; or its word
     * index from the stored texts.
     */
    make: 'kept' | 'shown' | { measuresOf: number } | 'words';
    /** Hand its parts over. */
    wanted: boolean;
    /** Words alone: gets ready, takes texts in when it is told that the survey is closed, and goes on when it is packed. */
    waits?: boolean;
}

export type PackReply =
    { ok: true; parts: [part: string, bytes: Uint8Array<ArrayBuffer>][] } | { ok: false; say: string };

/** How long a database is waited for, milliseconds. */
const PATIENCE = 60_000;

async function pack({ access, surveyId, make, wanted, waits }: PackRequest): Promise<PackReply> {
    const store = openStore(access);
    let gathered: WordIndexMaker | undefined;
    try {
        if (waits && parentPort) {
            const told = toldOf(parentPort);
            await told('closed');
            gathered = await whileAway(() => gatherWords(store.db, surveyId), PATIENCE);
            await told('packed');
        }
        const survey = await whileAway(() => getSurvey(store.db, surveyId), PATIENCE);
        if (!survey) return { ok: false, say: 'the survey is gone' };
        // A database that restarts, or takes back a transaction because of another, is asked again.
        const parts = await whileAway(() => partsOf(store.db, survey, make, gathered), PATIENCE);
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

/** Waits for a step of the survey, which may have been told before anybody waits. */
function toldOf(port: MessagePort): (step: WordsStep) => Promise<void> {
    const heard = new Set<unknown>();
    let look = (): void => undefined;
    port.on('message', (step) => {
        heard.add(step);
        look();
    });
    return (step) =>
        new Promise((resolve) => {
            look = () => {
                if (heard.has(step)) resolve();
            };
            look();
        });
}

async function partsOf(
    db: Database,
    survey: Survey,
    make: PackRequest['make'],
    gathered: WordIndexMaker | undefined,
): Promise<ReadonlyMap<StoredPart, Sections>> {
    if (make === 'words') return new Map([['words', await makeAndSaveWords(db, survey, gathered)]]);
    if (typeof make === 'object') {
        return new Map([['measures', await remeasure(db, { ...survey, revision: make.measuresOf })]]);
    }
    return (await (make === 'kept' ? makeAndSavePacked : makePacked)(db, survey)).parts;
}

const request = workerData as PackRequest;
const reply = await pack(request);
parentPort?.postMessage(reply, reply.ok ? reply.parts.map(([, bytes]) => bytes.buffer) : []);
parentPort?.unref();
