/**
 * Which agents of an access log are robots, by words in the name they give. Trade words, not names: a robot that says
 * what it is uses one of them or gives an address to read about it. The list can be edited; it never is complete.
 */
export const DEFAULT_ROBOT_WORDS: readonly string[] = [
    'bot',
    'crawl',
    'spider',
    'robot',
    'fetch',
    'scan',
    'monitor',
    'checker',
    'archiv',
    'preview',
    'index',
    'scrap',
    'harvest',
    'feed',
    'reader',
    'http-client',
    'httpclient',
    'http client',
    'library',
    'curl',
    'wget',
    'python',
    'java/',
    'perl',
    'ruby',
    'go-http',
    'node',
    'headless',
    'edgemap',
    '+http',
    '@',
];

/** @param words parts of names, any case */
export function robotFinder(words: readonly string[] = DEFAULT_ROBOT_WORDS): (agent: string) => boolean {
    const parts = words.map((word) => word.trim().toLowerCase()).filter((word) => word !== '');
    return (agent) => {
        const name = agent.toLowerCase();
        // Every browser gives a name; what gives none is a program.
        return name === '' || name === '-' || parts.some((part) => name.includes(part));
    };
}
