/** Link targets that are no pages of the site: external pages and resources, asked once for their status where wanted. */
import { readAddress } from '../../core/address/address.ts';
import { isRedirectStatus } from '../../core/gates/gates.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import type { CheckRow } from '../../core/survey/survey-rows.ts';
import type { PatientClient } from './patient-client.ts';
import { writeProblem } from '../../core/problems/problem.ts';
import type { RobotsFiles } from './robots-files.ts';
import type { RowMaker } from './row-maker.ts';

export interface TargetChecksInput {
    settings: SurveySettings;
    client: PatientClient;
    robots: RobotsFiles;
    rows: RowMaker;
    belongs: (url: string) => boolean;
    /** Addresses that were checked in an earlier run. */
    done: Set<number>;
}

/** Requests under way at once, over all hosts. */
const AT_ONCE = 12;

export class TargetChecks {
    readonly #input: TargetChecksInput;
    readonly #wanted = new Map<number, CheckRow['kind']>();
    #done = 0;

    constructor(input: TargetChecksInput) {
        this.#input = input;
    }

    /** Notes a target; nothing happens where the settings leave its kind alone. */
    add(target: number, kind: CheckRow['kind']): void {
        const { settings, done } = this.#input;
        if ((kind === 'external' ? settings.externals : settings.resources) !== 'check' || done.has(target)) return;
        if (!this.#wanted.has(target)) this.#wanted.set(target, kind);
    }

    progress(): { done: number; open: number } {
        return { done: this.#done, open: this.#wanted.size - this.#done };
    }

    /** @param step called after each; false ends it */
    async run(stop: AbortSignal, step: () => Promise<boolean>): Promise<void> {
        const running = new Set<Promise<void>>();
        for (const [address, kind] of this.#wanted) {
            if (stop.aborted) break;
            const work: Promise<void> = this.#check(address, kind, stop).finally(() => running.delete(work));
            running.add(work);
            if (running.size >= AT_ONCE) {
                await Promise.race(running);
                if (!(await step())) break;
            }
        }
        while (running.size > 0) {
            await Promise.race(running);
            await step();
        }
    }

    async #check(address: number, kind: CheckRow['kind'], stop: AbortSignal): Promise<void> {
        const { client, robots, rows, settings, belongs } = this.#input;
        const url = rows.urlOf(address);
        const row: CheckRow = {
            address,
            kind,
            status: null,
            notRead: '',
            failure: '',
            contentType: '',
            redirectTo: null,
            milliseconds: null,
            readAt: Date.now(),
        };
        const verdict = await robots.verdict(url);
        // "Record" is for one's own site; what other hosts close stays closed.
        const mayIgnore = settings.robots === 'record' && belongs(url);
        if (!verdict.allowed && !mayIgnore) {
            row.notRead = verdict.noAnswer ? verdict.noAnswer.code : 'robots';
            row.failure = writeProblem(verdict.noAnswer?.problem ?? null);
        } else {
            const answer = await client.fetchStatus(url);
            if (answer.ok) {
                row.status = answer.status;
                row.contentType = answer.sentType;
                row.milliseconds = answer.milliseconds;
                const location = answer.headers.get('location')?.[0];
                if (isRedirectStatus(answer.status) && location !== undefined) {
                    const target = readAddress(location, url);
                    if (target.ok) row.redirectTo = rows.address(target.address.url);
                }
            } else {
                row.notRead = answer.code;
                row.failure = writeProblem(answer.problem);
            }
        }
        if (stop.aborted) return;
        this.#done++;
        rows.addCheck(row);
    }
}
