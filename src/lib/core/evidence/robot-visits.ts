/**
 * What robots asked for, as an access log tells it: how often each of them asked for each URL, and how it was answered.
 * Columns, for a log may have a million pairs.
 */

/** How a request was answered, in the order of the columns below. */
export const ANSWERS = ['fine', 'redirect', 'error'] as const;

export interface RobotVisits {
    /** Names of robots as they give them, without versions. */
    robots: string[];
    /** URLs in our spelling. */
    urls: string[];
    /** One entry for each robot and URL: numbers in the lists above, and requests by answer. */
    robot: ArrayLike<number>;
    url: ArrayLike<number>;
    fine: ArrayLike<number>;
    redirect: ArrayLike<number>;
    error: ArrayLike<number>;
    /** First and last request of a robot, UTC, milliseconds since 1970. */
    first: number;
    last: number;
    /** Requests beyond what is kept. */
    left: number;
}

/** Robots told apart by name; the rest goes together. */
export const MOST_ROBOTS = 60;
export const OTHER_ROBOTS = 'others';

/** A product with its version (RFC 9110 10.1.5), as names in agent strings are written. */
const PRODUCT = /[A-Za-z][A-Za-z0-9._-]*(?=\/|[\s;,)]|$)/g;
/** Words by which programs name themselves robots; the first product with one is what it is called. */
const ROBOT_WORD = /bot|crawl|spider|fetch|scan|monitor|checker|archiv|preview|scrap|harvest|feed/i;

/** What a robot calls itself: the product that says it is one, else the first; versions aside. */
export function robotName(agent: string): string {
    const products = agent.match(PRODUCT) ?? [];
    const name = products.find((product) => ROBOT_WORD.test(product)) ?? products[0] ?? '';
    return name === '' ? 'without a name' : name.slice(0, 60);
}
