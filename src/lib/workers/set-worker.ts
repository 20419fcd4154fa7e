/**
 * Works sets out in the browser, on the very bytes the server works on: so that the size of a set is told while it is
 * typed, however large the survey, and without a request for each letter.
 */
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { type Part } from '../core/columns/column.ts';
import { decodeSections } from '../core/packed/sections.ts';
import { evaluateSet, partsFor, SetUnknown } from '../core/sets/evaluate-set.ts';
import { fieldsOf, PRIORITY } from '../core/sets/fields.ts';
import { parseSet } from '../core/sets/parse-set.ts';
import { needsMore } from '../core/sets/set-expression.ts';
import { addPart, openPacked } from '../wire/packed-head.ts';

export interface CountRequest {
    id: number;
    /** Address of the survey in the API, and what of it is meant: a later revision is another survey. */
    survey: string;
    revision: string;
    text: string;
}

export interface CountReply {
    id: number;
    /** Null for what is no set, or cannot be told here. */
    size: number | null;
}

/** A survey above this is left to the server: a browser need not hold its bytes. */
const MOST_BYTES = 200 * 1024 * 1024;

let opened: { key: string; survey: Promise<PackedSurvey> } | null = null;

async function bytesOf(survey: string, part: Part): Promise<Uint8Array<ArrayBuffer>> {
    const answer = await fetch(`${survey}/packed/${part}`);
    if (!answer.ok) throw new Error(`the part ${part} was refused with ${answer.status}`);
    if (Number(answer.headers.get('content-length') ?? 0) > MOST_BYTES) throw new Error('the survey is too large');
    return new Uint8Array(await answer.arrayBuffer());
}

async function open({ survey, revision }: CountRequest): Promise<PackedSurvey> {
    const key = `${survey} ${revision}`;
    if (opened?.key !== key) {
        const made = (async () => {
            const core = decodeSections(await bytesOf(survey, 'core'));
            const packed = openPacked(core);
            if (!packed) throw new Error('the packed survey has another form than this page knows');
            return packed;
        })();
        opened = { key, survey: made };
        made.catch(() => (opened = null));
    }
    return opened!.survey;
}

async function sizeOf(request: CountRequest): Promise<number | null> {
    const survey = await open(request);
    const parsed = parseSet(request.text, [...fieldsOf(survey), PRIORITY]);
    if (!parsed.ok || needsMore(parsed.set)) return null;
    for (const part of ['measures' as const, ...partsFor(parsed.set, survey)]) {
        if (!survey.has(part)) addPart(survey, part, decodeSections(await bytesOf(request.survey, part)));
    }
    return evaluateSet(parsed.set, { survey }).count();
}

/** Only the newest question matters: what was typed before it is not asked any more. */
let newest = 0;

self.onmessage = async ({ data }: MessageEvent<CountRequest>) => {
    newest = data.id;
    let size: number | null = null;
    try {
        await open(data);
        if (data.id === newest) size = await sizeOf(data);
    } catch (error) {
        // Without the size of what is typed the line works all the same; a fault of ours shows in the console.
        if (!(error instanceof SetUnknown)) console.warn(error);
    }
    const reply: CountReply = { id: data.id, size };
    self.postMessage(reply);
};
