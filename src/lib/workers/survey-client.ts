/** Asks the survey worker; started when it is first asked. Every answer may be null: then the server is asked. */
import SurveyWorker from './survey-worker.ts?worker';
import type { RobotsChange } from '../core/areas/robots-change.ts';
import type { RobotsOption } from '../core/robots/edit-robots.ts';
import type { SiteWalks } from '../core/map/site-walks.ts';
import type { MapCard } from '../core/views/map.ts';
import type { MapAnswer, MapLinksAnswer, MapLinksQuestion, MapQuestion } from './map-answers.ts';
import type { RobotsQuestion, RobotsWishQuestion, SurveyName, WalksQuestion } from './survey-answers.ts';
import type { SurveyQuestion, SurveyReply, SurveyRequest } from './survey-worker.ts';

export class SurveyClient {
    #worker: Worker | null = null;
    #next = 0;
    readonly #waiting = new Map<number, (value: SurveyReply['value']) => void>();

    /** Has the bytes of a survey fetched; false where they cannot be had. */
    async open(name: SurveyName): Promise<boolean> {
        return (await this.#ask({ ...name, ask: 'open' })) !== null;
    }

    /** How many pages a set has; null for what is no set, or was typed over meanwhile. */
    async size(name: SurveyName, text: string): Promise<number | null> {
        const value = await this.#ask({ ...name, ask: 'size', text });
        return typeof value === 'number' ? value : null;
    }

    /** What another robots.txt would change. */
    async robots(name: SurveyName, question: RobotsQuestion): Promise<RobotsChange | null> {
        const value = await this.#ask({ ...name, ask: 'robots', question });
        return value !== null && typeof value === 'object' && 'closes' in value ? value : null;
    }

    /** The edits of a robots.txt that close or open pages. */
    async robotsOptions(name: SurveyName, question: RobotsWishQuestion): Promise<RobotsOption[] | null> {
        const value = await this.#ask({ ...name, ask: 'robots options', question });
        return Array.isArray(value) ? value : null;
    }

    /** Where each page is drawn. */
    async map(name: SurveyName, question: MapQuestion): Promise<MapAnswer | null> {
        const value = await this.#ask({ ...name, ask: 'map', question });
        return value !== null && typeof value === 'object' && 'layout' in value ? value : null;
    }

    /** Links as the map draws them. */
    async mapLinks(name: SurveyName, question: MapLinksQuestion): Promise<MapLinksAnswer | null> {
        const value = await this.#ask({ ...name, ask: 'map links', question });
        return value !== null && typeof value === 'object' && 'of' in value ? value : null;
    }

    /** Random walks. */
    async walks(name: SurveyName, question: WalksQuestion): Promise<SiteWalks | null> {
        const value = await this.#ask({ ...name, ask: 'walks', question });
        return value !== null && typeof value === 'object' && 'unmet' in value ? value : null;
    }

    /** What is told of a page that is pointed at. */
    async mapCard(name: SurveyName, node: number): Promise<MapCard | null> {
        const value = await this.#ask({ ...name, ask: 'map card', node });
        return value !== null && typeof value === 'object' && 'waysIn' in value ? value : null;
    }

    /** For each node the number of the first of several sets that has it. */
    async classes(name: SurveyName, sets: readonly string[]): Promise<Uint8Array | null> {
        const value = await this.#ask({ ...name, ask: 'classes', sets });
        return value instanceof Uint8Array ? value : null;
    }

    /** The node of a URL; null where there is none. */
    async nodeOf(name: SurveyName, url: string): Promise<number | null> {
        const value = await this.#ask({ ...name, ask: 'node', url });
        return typeof value === 'number' && value >= 0 ? value : null;
    }

    close(): void {
        this.#worker?.terminate();
        this.#worker = null;
        for (const resolve of this.#waiting.values()) resolve(null);
        this.#waiting.clear();
    }

    #ask(question: SurveyQuestion): Promise<SurveyReply['value']> {
        this.#worker ??= this.#start();
        const request: SurveyRequest = { ...question, id: ++this.#next };
        return new Promise((resolve) => {
            this.#waiting.set(request.id, resolve);
            this.#worker?.postMessage(request);
        });
    }

    #start(): Worker {
        const worker = new SurveyWorker();
        worker.onmessage = ({ data }: MessageEvent<SurveyReply>) => {
            this.#waiting.get(data.id)?.(data.value);
            this.#waiting.delete(data.id);
        };
        // A worker that cannot run answers nothing, and the page works without.
        worker.onerror = () => this.close();
        return worker;
    }
}
