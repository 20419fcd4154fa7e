/** The course of going through proposals: the target in hand, the one that is shown, and what is answered to it. */
import { pageKey } from '../../core/address/page-key.ts';
import type { ShownProposal } from '../../core/views/proposals.ts';
import { ask, siteApi, surveyApi, tell } from '../../wire/client.ts';
import { OtherTargets, TargetProposals } from '../../wire/proposals.ts';
import { anchorText, drawnTo, moved, type AnchorSpan } from './anchor-words.ts';
import { joined } from './join-proposals.ts';
import { takeLink } from './take-link.ts';

/** Where proposals are asked for. */
export interface CoursePlace {
    site: number;
    start: string;
    /** Number of the survey, or number and revision. */
    survey: string;
    surveyNumber: number;
}

export class ProposalCourse {
    readonly #place: CoursePlace;
    told = $state<TargetProposals | null>(null);
    index = $state(0);
    span = $state<AnchorSpan>([0, 1]);
    /** Another page that the words are to lead to; null for the target itself. */
    instead = $state<{ url: string; title: string } | null>(null);
    others = $state<OtherTargets | null>(null);
    isBusy = $state(false);
    trouble = $state('');
    /** Says what was done last, for those who hear the page. */
    said = $state('');
    #asking: AbortController | null = null;
    /** Pages whose sentences were answered since they were asked for. */
    #gone: string[] = [];

    constructor(place: CoursePlace) {
        this.#place = place;
    }

    get current(): ShownProposal | null {
        return this.told?.proposals[this.index] ?? null;
    }

    get effect() {
        return this.told?.effects[this.index] ?? null;
    }

    /** What stands behind the one in hand. */
    get next(): ShownProposal[] {
        return this.told?.proposals.slice(this.index + 1) ?? [];
    }

    get anchor(): string {
        const { current } = this;
        return current === null ? '' : anchorText(current.passage, current.words, this.span);
    }

    /** @param url the target; null for none */
    async load(url: string | null): Promise<void> {
        this.#asking?.abort();
        this.told = null;
        this.trouble = '';
        if (url === null) return;
        const asking = (this.#asking = new AbortController());
        const { signal } = asking;
        this.#gone = [];
        const first = await this.#ask(url, { first: '1' }, signal);
        if (signal.aborted) return;
        this.told = first;
        this.#show(0);
        if (first === null || first.isWhole) return;
        // The likeliest are there at once; the others come behind the one in hand.
        const whole = await this.#ask(url, {}, signal);
        if (!signal.aborted && whole !== null) this.#join(whole);
    }

    async #ask(url: string, more: Record<string, string>, signal: AbortSignal): Promise<TargetProposals | null> {
        const { site, survey, start } = this.#place;
        const query = new URLSearchParams({ for: pageKey(url, start), ...more });
        const answer = await ask(TargetProposals, `${surveyApi(site, survey)}/proposals?${query}`, { signal });
        if (!answer.ok && !signal.aborted) this.trouble = answer.say;
        return answer.ok ? answer.data : null;
    }

    /** All of them in place of the first, but for those that were looked at or answered meanwhile. */
    #join(whole: TargetProposals): void {
        if (!this.told) return;
        const wasEmpty = this.current === null;
        this.told = joined(this.told, whole, this.index, this.#gone);
        if (wasEmpty) this.#show(0);
    }

    #show(index: number): void {
        this.index = index;
        this.span = this.current?.anchor ?? [0, 1];
        this.instead = null;
        this.others = null;
    }

    /** The next one, and from the last on to the first. */
    step(by: 1 | -1): void {
        const all = this.told?.proposals.length ?? 0;
        if (all > 0) this.#show((this.index + by + all) % all);
    }

    grow(end: 'start' | 'end', by: number): void {
        if (this.current) this.span = moved(this.current.words, this.span, end, by);
    }

    draw(end: 'start' | 'end', word: number): void {
        if (this.current) this.span = drawnTo(this.current.words, this.span, end, word);
    }

    /** Takes the one in hand: a change laid aside. @returns whether it was kept */
    async take(): Promise<boolean> {
        const { current } = this;
        if (!current || this.isBusy) return false;
        const target = this.instead?.url ?? current.target;
        this.isBusy = true;
        this.trouble = await takeLink(this.#place, current, this.anchor, target);
        this.isBusy = false;
        if (this.trouble !== '') return false;
        this.said = `Taken: “${this.anchor}” on ${current.source}.`;
        const { told } = this;
        if (told && target === told.target) told.taken++;
        this.#leave();
        return true;
    }

    async answer(what: 'refused' | 'later'): Promise<boolean> {
        const { current } = this;
        if (!current || this.isBusy) return false;
        this.isBusy = true;
        this.trouble = await tell(`${siteApi(this.#place.site)}/proposal-answers`, {
            method: 'POST',
            body: { answer: what, source: current.source, target: current.target },
        });
        this.isBusy = false;
        if (this.trouble !== '') return false;
        this.said = what === 'refused' ? 'Refused: it is not shown again.' : 'Put off.';
        if (this.told) this.told[what]++;
        this.#leave();
        return true;
    }

    /** The one in hand goes; the next takes its place. */
    #leave(): void {
        const { told } = this;
        if (!told) return;
        this.#gone.push(told.proposals[this.index]?.source ?? '');
        told.proposals.splice(this.index, 1);
        told.effects.splice(this.index, 1);
        this.#show(Math.min(this.index, Math.max(0, told.proposals.length - 1)));
    }

    /** Offers other pages that the same words fit. */
    async askOthers(): Promise<void> {
        const { current } = this;
        if (!current) return;
        const { site, survey } = this.#place;
        const query = new URLSearchParams({ words: this.anchor, source: current.source, target: current.target });
        const answer = await ask(OtherTargets, `${surveyApi(site, survey)}/proposals/other?${query}`);
        if (answer.ok) this.others = answer.data;
        else this.trouble = answer.say;
    }
}
