/**
 * One address of each host that nobody can have made, asked for once: how the host answers for what is not there. Its
 * answer is kept as a file of the survey, with the signature of its text, and counts as no page.
 */
import { randomBytes } from 'node:crypto';
import { originOf, pathOf, readAddress } from '../../core/address/address.ts';
import { signatureText } from '../../core/doubles/signature.ts';
import { isHtmlType, isRedirectStatus } from '../../core/gates/gates.ts';
import { problem, writeProblem } from '../../core/problems/problem.ts';
import type { Belonging } from '../../core/scope/belonging.ts';
import type { FileRow } from '../../core/survey/survey-rows.ts';
import type { Answer } from './fetch-url.ts';
import { headerText } from './header-text.ts';
import { mediaTypeOf } from './media-type.ts';
import type { PageReader } from './page-reader.ts';
import type { PatientClient } from './patient-client.ts';
import type { RobotsFiles } from './robots-files.ts';

/** Hosts that are asked: a site with more is told enough by these. */
const MOST_HOSTS = 20;

export interface MadeUpInput {
    belonging: Pick<Belonging, 'isInternal'>;
    client: Pick<PatientClient, 'fetchPage' | 'isStopped'>;
    robots: Pick<RobotsFiles, 'verdict'>;
    reader: Pick<PageReader, 'traitsOf'>;
}

export class MadeUpAddresses {
    readonly #input: MadeUpInput;
    constructor(input: MadeUpInput) {
        this.#input = input;
    }

    /**
     * Asks one host after the other.
     * @param origins of pages that were read
     * @param done URLs that were asked for in an earlier run
     * @returns what was answered; nothing for a host whose robots.txt closes it, where it would lie outside the
     * paths of the survey, or once everything stops
     */
    async *ask(origins: Iterable<string>, done: readonly string[]): AsyncGenerator<FileRow> {
        const [before] = done;
        // The same path on every host of a survey, whichever run asks.
        const path = before === undefined ? `/${randomBytes(12).toString('hex')}` : pathOf(before);
        const asked = new Set(done.map(originOf));
        for (const origin of [...origins].filter((own) => !asked.has(own)).slice(0, MOST_HOSTS)) {
            const url = origin + path;
            const { belonging, robots } = this.#input;
            if (!belonging.isInternal(url) || !(await robots.verdict(url)).allowed) continue;
            const answer = await this.#input.client.fetchPage(url);
            if (this.#input.client.isStopped) return;
            const row: FileRow = { kind: 'made-up', url, status: null, note: '', entries: null, text: '' };
            yield answer.ok
                ? { ...row, ...(await this.#told(url, answer)) }
                : { ...row, note: writeProblem(answer.problem) };
        }
    }

    async #told(url: string, answer: Answer): Promise<Pick<FileRow, 'status' | 'note' | 'text'>> {
        const { status } = answer;
        const target = readAddress(headerText(answer.headers.get('location')?.[0] ?? ''), url);
        if (isRedirectStatus(status) && target.ok) {
            // Where it leads is a page of its own, and like itself.
            return { status, note: writeProblem(problem('redirects', { status, to: target.address.url })), text: '' };
        }
        const isDocument = answer.bodyRead === 'all' && isHtmlType(mediaTypeOf(answer.sentType, answer.body).type);
        const traits = isDocument ? await this.#input.reader.traitsOf(url, answer) : null;
        const signature = traits?.signature ? signatureText(traits.signature) : '';
        return { status, note: '', text: traits === null ? '' : `${traits.hash} ${signature}`.trimEnd() };
    }
}
