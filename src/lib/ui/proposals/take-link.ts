/** Laying a proposed link aside, wherever it is taken. */
import type { ShownProposal } from '../../core/views/proposals.ts';
import { siteApi, tell } from '../../wire/client.ts';

/**
 * @param anchor words of the link
 * @param target where it leads: the proposal's own target, or another
 * @returns why it was not kept, as a sentence; empty where it is
 */
export function takeLink(
    { site, surveyNumber }: { site: number; surveyNumber: number },
    { source, line, passage, from, to }: ShownProposal,
    anchor: string,
    target: string,
): Promise<string> {
    const sentence = passage.slice(from, to);
    const change = { kind: 'add', page: source, line, newAnchor: anchor, newTarget: target, sentence };
    return tell(`${siteApi(site)}/laid-changes?survey=${surveyNumber}`, {
        method: 'POST',
        body: { changes: [change] },
    });
}
