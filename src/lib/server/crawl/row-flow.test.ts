import { setTimeout as wait } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { NO_URL_RULES } from '../../core/address/url-rules.ts';
import { belongingOf } from '../../core/scope/belonging.ts';
import type { SurveyBatch } from '../../core/survey/survey-rows.ts';
import { EarlierRun } from './earlier-run.ts';
import { RowFlow } from './row-flow.ts';
import { RowMaker } from './row-maker.ts';

const START = 'https://site.example/';
const made = (): RowMaker => new RowMaker(belongingOf(START), NO_URL_RULES, new EarlierRun());
const urlsOf = (batch: SurveyBatch): string[] => batch.addresses.map(({ url }) => url);

describe('RowFlow', () => {
    it('sends one batch at a time, and everything in the end, each row once and in order', async () => {
        const rows = made();
        const sent: string[][] = [];
        let under = 0;
        let most = 0;
        const flow = new RowFlow(
            rows,
            async (batch) => {
                most = Math.max(most, ++under);
                await wait(5);
                sent.push(urlsOf(batch));
                under--;
            },
            new AbortController(),
        );
        for (let n = 0; n < 50; n++) {
            rows.address(`${START}${n}`);
            await flow.sendIfDue();
        }
        await flow.sendAll();
        expect(sent.flat()).toEqual(Array.from({ length: 50 }, (_, n) => `${START}${n}`));
        expect(most).toBe(1);
        // What is due is told by the clock: fifty calls at once are no fifty batches.
        expect(sent.length).toBeLessThan(50);
    });

    it('sends nothing behind a batch that could not be stored, ends the run, and says why', async () => {
        const rows = made();
        const end = new AbortController();
        let tries = 0;
        const flow = new RowFlow(
            rows,
            () => {
                tries++;
                return Promise.reject(new Error('the disk is full'));
            },
            end,
        );
        rows.address(`${START}a`);
        await flow.sendIfDue();
        await expect(flow.settled()).rejects.toThrow('the disk is full');
        expect([flow.hasFailed, end.signal.aborted]).toEqual([true, true]);
        rows.address(`${START}b`);
        await flow.during(() => wait(600));
        await expect(flow.sendAll()).rejects.toThrow('the disk is full');
        expect(tries).toBe(1);
    });

    it('sends what waits while nothing is answered', async () => {
        const rows = made();
        let arrived: (urls: string[]) => void = () => undefined;
        const first = new Promise<string[]>((resolve) => (arrived = resolve));
        const flow = new RowFlow(
            rows,
            (batch) => {
                arrived(urlsOf(batch));
                return Promise.resolve();
            },
            new AbortController(),
        );
        rows.address(`${START}a`);
        expect(await flow.during(() => first)).toEqual([`${START}a`]);
    });
});
