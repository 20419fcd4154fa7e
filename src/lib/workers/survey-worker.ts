/**
 * Holds the bytes of one survey in the browser and answers on them, so that a size is told while a set is typed, however
 * large the survey, and without a request for each letter. What it cannot answer the server does.
 */
import { SetUnknown } from '../core/sets/evaluate-set.ts';
import type { Part } from '../core/columns/column.ts';
import type { RobotsChange } from '../core/areas/robots-change.ts';
import type { RobotsOption } from '../core/robots/edit-robots.ts';
import type { SiteWalks } from '../core/map/site-walks.ts';
import type { MapCard } from '../core/views/map.ts';
import {
    SurveyAnswers,
    type RobotsQuestion,
    type RobotsWishQuestion,
    type SurveyName,
    type WalksQuestion,
} from './survey-answers.ts';
import type { MapAnswer, MapLinksAnswer, MapLinksQuestion, MapQuestion } from './map-answers.ts';

export type SurveyQuestion = SurveyName &
    (
        | { ask: 'open' }
        | { ask: 'size'; text: string }
        | { ask: 'robots'; question: RobotsQuestion }
        | { ask: 'robots options'; question: RobotsWishQuestion }
        | { ask: 'map'; question: MapQuestion }
        | { ask: 'map card'; node: number }
        | { ask: 'map links'; question: MapLinksQuestion }
        | { ask: 'walks'; question: WalksQuestion }
        | { ask: 'classes'; sets: readonly string[] }
        | { ask: 'node'; url: string }
    );
export type SurveyRequest = SurveyQuestion & { id: number };

export interface SurveyReply {
    id: number;
    /** For `open` 1; for `size` a number; for robots.txt what changes, or what can be done. Null for what is no set, or cannot be told here. */
    value:
        | number
        | Uint8Array<ArrayBuffer>
        | RobotsChange
        | RobotsOption[]
        | MapAnswer
        | MapLinksAnswer
        | SiteWalks
        | MapCard
        | null;
}

/** A survey above this is left to the server: a browser need not hold its bytes. */
const MOST_BYTES = 200 * 1024 * 1024;
/** Bytes that nobody asks about are let go after so many milliseconds; they come back when they are wanted. */
const LET_GO_AFTER = 5 * 60_000;

async function bytesOf(survey: string, part: Part): Promise<Uint8Array<ArrayBuffer>> {
    const answer = await fetch(`${survey}/packed/${part}`);
    if (!answer.ok) throw new Error(`the part ${part} was refused with ${answer.status}`);
    if (Number(answer.headers.get('content-length') ?? 0) > MOST_BYTES) throw new Error('the survey is too large');
    return new Uint8Array(await answer.arrayBuffer());
}

const answers = new SurveyAnswers(bytesOf);
/** Of sizes only the newest matters: what was typed before it is not asked any more. */
let newestSize = 0;
let idle: ReturnType<typeof setTimeout> | undefined;

async function answer(request: SurveyRequest): Promise<SurveyReply['value']> {
    switch (request.ask) {
        case 'open':
            await answers.open(request);
            return 1;
        case 'size':
            await answers.open(request);
            return request.id === newestSize ? answers.size(request, request.text) : null;
        case 'robots':
            return answers.robots(request, request.question);
        case 'robots options':
            return answers.robotsOptions(request, request.question);
        case 'map':
            return answers.map(request, request.question);
        case 'map card':
            return answers.mapCard(request, request.node);
        case 'map links':
            return answers.mapLinks(request, request.question);
        case 'walks':
            return answers.walks(request, request.question);
        case 'classes':
            return answers.classes(request, request.sets);
        case 'node':
            return answers.nodeOf(request, request.url);
    }
}

self.onmessage = async ({ data }: MessageEvent<SurveyRequest>) => {
    clearTimeout(idle);
    if (data.ask === 'size') newestSize = data.id;
    let value: SurveyReply['value'] = null;
    try {
        value = await answer(data);
    } catch (error) {
        // Without an answer from here the page works all the same; a fault of ours shows in the console.
        if (!(error instanceof SetUnknown)) console.warn(error);
    }
    idle = setTimeout(() => answers.close(), LET_GO_AFTER);
    const reply: SurveyReply = { id: data.id, value };
    self.postMessage(reply, value instanceof Uint8Array ? { transfer: [value.buffer] } : {});
};
