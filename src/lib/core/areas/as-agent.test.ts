import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblems } from '../problems/problem.ts';
import { asAgentView } from '../views/as-agent.ts';
import { agentsNamed, judgedAs } from './as-agent.ts';

/**
 * Ours may read all but /members/; otter all but /guides/; badger, whom no group names, what ours may. /quiet says noindex
 * to otter alone, /still to everybody but otter by name, /hidden to all. /members/ was never read, /guides/ was.
 */
const TEXT = 'User-agent: *\nDisallow: /members/\n\nUser-agent: otter\nDisallow: /guides/\n';
const robots = [{ url: `${ORIGIN}/robots.txt`, problems: [], text: TEXT }];
const said = (agent: string, says: string) => problem('agent-directives', { agent, says });
const site = new Site()
    .known('/', 'manual')
    .page('/', [{ to: '/members/' }, { to: '/guides/' }, { to: '/quiet' }, { to: '/still' }, { to: '/hidden' }])
    .page('/members/', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null })
    .page('/guides/', [])
    .page('/quiet', [], { markup: writeProblems([said('*', ''), said('otter', 'noindex')]) })
    .page('/still', [], {
        noindex: true,
        markup: writeProblems([said('*', ''), said('edgemap', 'noindex'), said('otter', 'index')]),
    })
    .page('/hidden', [], { noindex: true, markup: '' })
    .page('/gone', [], { status: 404, words: null, markup: null });
const { survey } = packSurvey(site.known('/gone').measure());

const judged = (agent: string): Record<string, string> => {
    const { gate } = judgedAs(survey, robots, agent);
    return Object.fromEntries(
        [...gate].map((code, node) => [survey.url(node).slice(ORIGIN.length), gateOf(code) ?? 'not known']),
    );
};

describe('a survey judged for another agent', () => {
    it('has our own verdicts for ours', () => {
        const ours = [...survey.numbers('gate')].map((code) => gateOf(code) ?? 'not known');
        expect(Object.values(judged('edgemap'))).toEqual(ours);
    });

    it('has its own rules and directives, and does not know what ours did not read', () => {
        expect(judged('otter')).toEqual({
            '/': 'indexable',
            '/members/': 'not known',
            '/guides/': 'robots',
            '/quiet': 'noindex',
            '/still': 'indexable',
            '/hidden': 'noindex',
            '/gone': 'response',
        });
    });

    it('has for an agent nobody names the rules for all, and what is said to all', () => {
        expect(judged('badger')).toEqual({
            '/': 'indexable',
            '/members/': 'robots',
            '/guides/': 'indexable',
            '/quiet': 'indexable',
            '/still': 'indexable',
            '/hidden': 'noindex',
            '/gone': 'response',
        });
    });

    it('closes everything where robots.txt cannot be had', () => {
        const why = problem('robots-error', { file: `${ORIGIN}/robots.txt`, status: 503 });
        const down = [{ url: `${ORIGIN}/robots.txt`, problems: [problem('all-closed', { why })], text: '' }];
        expect(new Set([...judgedAs(survey, down, 'otter').gate].map(gateOf))).toEqual(new Set(['robots']));
    });

    it('names the agents that anything speaks to', () => {
        expect(agentsNamed(survey, robots)).toEqual(['edgemap', 'otter']);
    });

    it('is told by what changes, each with the first URL and what decides', () => {
        const { changes, indexable, differing, named } = asAgentView(survey, robots, {
            agent: 'otter',
            token: 'edgemap',
        });
        expect(named).toEqual(['otter']);
        expect(indexable).toBe(2);
        expect(differing).toEqual({ pages: 4, set: 'differs for agent "otter"' });
        expect(
            changes.map(({ from, to, of, url, why }) => [from, to, of.pages, url.slice(ORIGIN.length), why]),
        ).toEqual(
            expect.arrayContaining([
                ['robots', null, 1, '/members/', 'no rule for it fits'],
                ['indexable', 'robots', 1, '/guides/', 'Disallow: /guides/, line 5'],
                ['indexable', 'noindex', 1, '/quiet', 'noindex, said to otter'],
                ['noindex', 'indexable', 1, '/still', 'noindex is said to others alone'],
            ]),
        );
        // Of two ways from one gate neither is a set by itself.
        expect(changes.map(({ from, of }) => [from, of.set])).toEqual(
            expect.arrayContaining([
                ['indexable', null],
                ['noindex', 'differs for agent "otter" and gate is noindex'],
            ]),
        );
    });
});
