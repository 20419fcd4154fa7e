/** A door check with nothing wrong, told apart from it only by what a test names. */
import type { DoorFacts, DoorPage, DoorReport } from '../../src/lib/core/door/door-report.ts';
import { problem, writeProblem } from '../../src/lib/core/problems/problem.ts';
import { judgeDoor } from '../../src/lib/core/door/judge-door.ts';

export const DOOR_URL = 'https://www.site.example/';

/** A page that answers with 200 after one hop. */
export function doorPage(change: Partial<DoorPage> = {}): DoorPage {
    return {
        url: DOOR_URL,
        hops: [
            {
                url: change.url ?? DOOR_URL,
                status: change.status === undefined ? 200 : change.status,
                to: '',
                by: '',
                failure: change.failure ?? '',
            },
        ],
        status: 200,
        failure: '',
        contentType: 'text/html',
        title: 'Start',
        language: 'en',
        words: 100,
        links: 9,
        scripts: 0,
        noindex: null,
        noindexInBody: null,
        canonical: null,
        refresh: null,
        closedBy: '',
        isLeft: false,
        ...change,
    };
}

/** Facts of a site that nothing keeps anybody from. */
export function doorFacts(change: Partial<DoorFacts> = {}): DoorFacts {
    return {
        url: DOOR_URL,
        at: Date.UTC(2026, 2, 3),
        agent: 'EdgeMap/0.1',
        token: 'edgemap',
        otherAgent: 'other',
        keepsOut: false,
        variants: [],
        robots: {
            url: `${DOOR_URL}robots.txt`,
            status: 404,
            bytes: 0,
            note: writeProblem(problem('robots-none', { status: 404 })),
            closes: 'nothing',
            rule: '',
            line: 0,
            group: '',
            rules: 0,
            sitemaps: [],
            crawlDelay: null,
        },
        start: doorPage(),
        startAsOther: doorPage(),
        samples: [],
        differences: [],
        sitemaps: [],
        expected: null,
        neighbours: [],
        ...change,
    };
}

/** The same, judged. */
export const doorReport = (change: Partial<DoorFacts> = {}): DoorReport => {
    const found = doorFacts(change);
    return { facts: found, verdict: judgeDoor(found) };
};
