/** What may be indexed: gates, and a robots.txt that is tried before it is changed. */
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Application } from '../support/application.ts';
import { clickText, textOf, waitForText, type WatchedPage } from '../support/browser.ts';
import { until } from '../support/command.ts';
import { openScene, type Scene } from '../support/scene.ts';

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;

beforeAll(async () => {
    scene = await openScene();
    ({ app, page, watched } = scene);
});
afterAll(async () => {
    await scene?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
});

const there = (part: string): Promise<unknown> =>
    page.goto(`${app.address}/sites/1/1/${part}`, { waitUntil: 'networkidle2' });

describe('Causes', () => {
    it('tell what mends most, each number a set, and stand apart once they are accepted', async () => {
        await there('causes');
        await waitForText(page, 'may be indexed');
        await page.$$eval('.causes details', (folds) => folds.forEach((fold) => (fold.open = true)));
        expect(await scene.numbersAreSets()).toBeGreaterThan(40);
        const first = await textOf(page, '.causes tbody tr');
        expect(first).toContain('Disallow: /members/');
        await page.type('.causes form input', 'members only');
        await clickText(page, 'Accept');
        await waitForText(page, '1 accepted');
        expect(await textOf(page, '[aria-label="Accepted"]')).toContain('members only');
        expect(await textOf(page, '[aria-label="Causes"]')).not.toContain('Narrow the rule “Disallow: /members/”');
        // It is visible in the register as well, and taken back there.
        await there('checks');
        expect(await textOf(page, '[aria-label="Accepted"]')).toContain('Disallow: /members/');
        await clickText(page, 'Take back');
        await waitForText(page, 'Nothing is accepted.');
    });
});

describe('Find', () => {
    it('finds findings by words, and leads to what they are about', async () => {
        await there('causes');
        await page.keyboard.down('Control');
        await page.keyboard.press('k');
        await page.keyboard.up('Control');
        await page.type('.find input', 'narrow branches');
        await page.waitForFunction(() =>
            [...document.querySelectorAll('#found li')].some(
                (item) => item.textContent?.includes('Disallow: /branches/s') && item.textContent.includes('finding'),
            ),
        );
        await page.keyboard.press('Enter');
        await page.waitForFunction(() => /\b4 of \d+/.test(document.body.innerText));
        expect(decodeURIComponent(page.url())).toMatch(/set=cause[ +]"\/robots\.txt[ +]Disallow:/);
    });
});

describe('Checks', () => {
    const found = (id: string): Promise<string> =>
        page.$$eval(
            '.checks tr',
            (rows, name) =>
                rows
                    .find((row) => row.querySelector('.mono')?.textContent === name)
                    ?.children[2]?.textContent?.trim() ?? '',
            id,
        );

    it('are switched off and on, and have thresholds of the site', async () => {
        await there('checks');
        expect(await scene.numbersAreSets()).toBeGreaterThan(10);
        const before = await found('thin-hold');
        expect(Number(before)).toBeGreaterThan(0);
        await page.click('[aria-label="Ask Thin hold"]');
        await waitForText(page, '; 1 is switched off');
        expect(await found('thin-hold')).toBe('off');
        await page.click('[aria-label="Ask Thin hold"]');
        await page.waitForFunction(() => !document.body.innerText.includes('; 1 is switched off'));
        expect(await found('thin-hold')).toBe(before);
        const few = '[aria-label="Threshold of Few words, in words"]';
        await page.type(few, '5000');
        await page.keyboard.press('Tab');
        await waitForText(page, 'is a number of words from 1 to 1,000.');
        await page.$eval(few, (field) => ((field as HTMLInputElement).value = ''));
        await page.type(few, '1');
        await page.keyboard.press('Tab');
        // Every page of the demo has a word or more.
        await until('the words counted anew', async () => (await found('few-words')) === '0');
    });
});

describe('Sitemaps', () => {
    it('are built of any set, told against what is listed today, and saved', async () => {
        await there('sitemaps');
        await page.waitForFunction(() => /It lists [\d,]+ pages in 1 file/.test(document.body.innerText));
        expect(await scene.numbersAreSets()).toBeGreaterThan(4);
        // A file that the index names and that is not there, and an address of another host in the list.
        const findings = await textOf(page, '[aria-label="Findings on these files"]');
        expect(findings).toContain('/sitemap-2019.xml');
        expect(findings).toContain('Could not be read: answered 404.');
        const set = '[aria-label="Build a sitemap"] input';
        await page.$eval(set, (field) => ((field as HTMLInputElement).value = ''));
        await page.type(set, 'indexable and section is guides');
        await page.keyboard.press('Tab');
        await page.select('[aria-label="Build a sitemap"] select', 'section');
        const size = await page.evaluate(() =>
            fetch(
                `/api/v1/sites/1/surveys/1/pages?count=1&set=${encodeURIComponent('indexable and section is guides')}`,
            )
                .then((answer) => answer.json())
                .then((read: { total: number }) => read.total),
        );
        await waitForText(page, `It lists ${size} pages in 1 file`);
        await clickText(page, 'Save sitemap.xml');
        const saved = await scene.downloaded(/^sitemap\.xml$/);
        const locs = saved.match(/<loc>/g) ?? [];
        expect(locs).toHaveLength(size);
        expect(saved).toContain('<loc>https://www.fernhollow-tools.example/guides/');
    });
});

describe('Canonicals', () => {
    it('draw who names whom, and what answers there', async () => {
        await there('canonicals');
        await waitForText(page, 'as canonical, in');
        expect(await scene.numbersAreSets()).toBeGreaterThan(1);
        const clusters = await textOf(page, '[aria-label="Clusters"]');
        // A canonical that names a page which names another one in turn was planted.
        expect(clusters).toMatch(/names \/guides\/\S+ in turn/);
        expect(clusters).toContain('may be indexed');
    });
});

describe('Gates', () => {
    it('tells what may be indexed and quotes both sides of each contradiction', async () => {
        await there('gates');
        await waitForText(page, 'may be indexed');
        expect(await scene.numbersAreSets()).toBeGreaterThan(8);
        // The rule that closes more than was meant, beside the entry of the sitemap that asks for it.
        const pane = await textOf(page, '[aria-label="Contradictions"]');
        expect(pane).toContain('pages are listed, and closed');
        expect(pane).toContain('<loc>https://www.fernhollow-tools.example/branches/school-road/</loc>');
        expect(pane).toContain('Disallow: /branches/s');
    });
});

describe('Robots', () => {
    it('tells the line that decides for an address, before and after an edit that opens it', async () => {
        await there('robots');
        await page.type('#robots-path', '/branches/school-road/');
        await waitForText(page, 'No, by line 4: Disallow: /branches/s');
        expect(await textOf(page, '[aria-label="Findings on this file"]')).toContain(
            'Line 4: “Disallow: /branches/s” closes 4 pages that a sitemap lists.',
        );
        await page.select('#robots-do', 'open');
        await page.type('[aria-label="Path"]', '/branches/school-road/');
        await clickText(page, 'Find the rules');
        await waitForText(page, 'taking out line 4 and adding 1 line: Disallow: /branches/station-yard/');
        await clickText(page, 'Take');
        await waitForText(page, 'After your edit: yes');
        await waitForText(page, '2 known URLs open');
        // The school's page and what hangs below it were never read: what they hold nobody can say.
        await waitForText(page, 'Not known: what 2 of those that open hold');
        await waitForText(page, '0 pages lose every path');
    });

    it('takes the text as well, tells what it would close, and saves it as a file', async () => {
        await page.$eval('label.tick input', (box) => (box as HTMLInputElement).click());
        await page.waitForSelector('textarea');
        await page.$eval('textarea', (area) => {
            area.value = 'User-agent: *\nDisallow: /guides/\n';
            area.dispatchEvent(new Event('input', { bubbles: true }));
        });
        await page.waitForFunction(() => /[1-9][\d,]* pages? drops? from the index/.test(document.body.innerText));
        await page.waitForFunction(() => /[1-9][\d,]* sitemap entr/.test(document.body.innerText));
        await clickText(page, 'Save as file');
        expect(await scene.downloaded(/^robots\.txt$/)).toBe('User-agent: *\nDisallow: /guides/\n');
        await clickText(page, 'Undo all');
        await page.waitForFunction(() => !document.body.innerText.includes('What this edit would change'));
    });

    it('keeps an edit with the site, to be looked at later and thrown away', async () => {
        await there('robots');
        await waitForText(page, 'None is kept.');
        await page.$eval('label.tick input', (box) => (box as HTMLInputElement).click());
        await page.waitForSelector('textarea');
        await page.$eval('textarea', (area) => {
            area.value = 'User-agent: *\nDisallow: /members/\n';
            area.dispatchEvent(new Event('input', { bubbles: true }));
        });
        await page.waitForSelector('input[aria-label="What it is for"]');
        await page.type('input[aria-label="What it is for"]', 'opens the branches');
        await clickText(page, 'Keep the edit', 'button');
        await waitForText(page, 'against the file as this survey received it');
        await there('robots');
        await waitForText(page, 'opens the branches');
        await clickText(page, 'Look at it', 'button');
        await waitForText(page, 'What this edit would change');
        expect(await textOf(page, '[aria-label="robots.txt, line by line"]')).toContain('taken out');
        await clickText(page, 'Throw it away', 'button');
        await waitForText(page, 'None is kept.');
        // What was looked at is still there to be worked on.
        expect(await textOf(page)).toContain('Keep the edit');
        await clickText(page, 'Undo all', 'button');
    });

    it('is judged for another agent', async () => {
        await there('robots?agent=otter');
        await waitForText(page, 'known URLs to otter');
    });
});

describe('Spent', () => {
    it('says that nothing is known without an access log, and where one is given', async () => {
        await there('spent');
        expect(await textOf(page, 'h1')).toBe('No access log was given.');
        expect(await page.$('a[href$="/evidence"]')).not.toBeNull();
    });
});

describe('Gates, as another agent', () => {
    it('judge the same answers again, for an agent that is typed in', async () => {
        await there('gates');
        await page.type('#gates-agent', 'Otter');
        await page.keyboard.press('Enter');
        await waitForText(page, 'every URL stops where it does for ours');
        expect(page.url()).toContain('agent=Otter');
        await clickText(page, 'only ours', 'button');
        await page.waitForFunction(() => !document.body.innerText.includes('every URL stops where it does'));
    });
});

describe('Variants', () => {
    it('name the addresses that are one page, each number a set, with the rule that redirects them', async () => {
        await there('variants');
        expect(await textOf(page, 'h1')).toContain('2 addresses answer with the text of a page');
        expect(await textOf(page)).toContain('return 301 https://www.fernhollow-tools.example$request_uri;');
        expect(await scene.numbersAreSets()).toBeGreaterThan(2);
    });
});

describe('Languages', () => {
    it('show who names whom, the holes first, and sequences as chains', async () => {
        await there('languages');
        expect(await textOf(page, 'h1')).toContain('26 pages in 8 groups of languages; 3 have holes');
        const holes = await page.$$eval('.group', (groups) =>
            groups.map((group) => group.querySelectorAll('[aria-label="does not name it"]').length),
        );
        // The guides name neither of their translations; of two pages on another form of the host nobody knows.
        expect(holes).toEqual([3, 3, 2, 0, 0, 0, 0, 0]);
        expect(await textOf(page, '[aria-labelledby="sequences"]')).toContain('1 sequence, all whole');
    });
});
