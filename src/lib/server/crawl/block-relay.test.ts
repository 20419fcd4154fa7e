import { describe, expect, it } from 'vitest';
import type { FoundBlock, FoundLink } from '$lib/core/page/links.ts';
import { BlockReceiver, BlockSender } from './block-relay.ts';

function link(target: string, line: number, more: Partial<FoundLink> = {}): FoundLink {
    return {
        kind: 'a',
        target: `https://x.example/${target}`,
        isAddress: true,
        fragment: '',
        anchor: target,
        name: '',
        rel: '',
        marks: 1,
        href: `/${target}`,
        line,
        column: 5,
        ...more,
    };
}

const menu = (line: number): FoundBlock => ({
    region: 'nav',
    place: 'body>nav>ul',
    links: [link('oak', line), link('elm', line + 1)],
});

/** As between two threads: nothing but a copy gets over. */
function over<T>(value: T): T {
    return structuredClone(value);
}

describe('blocks between threads', () => {
    it('hands the same menu over until it knows it, and gives back one object with the line of each page', () => {
        const sender = new BlockSender();
        expect(sender.send([menu(3)]).blocks).toEqual([{ number: 0, block: menu(3), line: 3 }]);
        const receiver = new BlockReceiver();
        const first = sender.send([menu(10)]);
        const second = sender.send([menu(90)]);
        expect(second.blocks[0]?.block).toBeNull();
        const [a] = receiver.receive(over(first));
        const [b] = receiver.receive(over(second));
        expect(a?.block).toEqual(menu(10));
        expect(b?.block).toBe(a?.block);
        expect([a?.line, b?.line]).toEqual([10, 90]);
    });

    it('takes blocks for different that differ in anything but their place on the page', () => {
        const others: FoundBlock[] = [
            { ...menu(1), region: 'footer' },
            { ...menu(1), place: 'body>nav>ol' },
            { ...menu(1), links: [link('oak', 1), link('elm', 3)] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { column: 6 })] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { href: 'elm' })] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { anchor: 'the elm' })] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { rel: 'nofollow' })] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { fragment: 'bark' })] },
            { ...menu(1), links: [link('oak', 1), link('elm', 2, { name: 'Elm' })] },
            { ...menu(1), links: [link('oak', 1)] },
        ];
        const sender = new BlockSender();
        const receiver = new BlockReceiver();
        const sent = [menu(1), ...others];
        const hand = () => receiver.receive(over(sender.send(sent))).map(({ block }) => block);
        const [once, twice, again] = [hand(), hand(), hand()];
        expect(once).toEqual(sent);
        expect(twice).toEqual(sent);
        expect(new Set(twice).size).toBe(sent.length);
        again.forEach((block, at) => expect(block).toBe(twice[at]));
    });

    it('never takes what the head says of one page for what it says of another', () => {
        const head: FoundBlock = { region: 'other', place: 'head', links: [link('self', 3, { kind: 'canonical' })] };
        const sender = new BlockSender();
        const receiver = new BlockReceiver();
        const [a] = receiver.receive(over(sender.send([head])));
        const [b] = receiver.receive(over(sender.send([head])));
        expect(a?.block).toEqual(head);
        expect(b?.block).toEqual(head);
        expect(b?.block).not.toBe(a?.block);
    });

    it('stays within its bound on a site of ever new blocks on two pages each, and is right throughout', () => {
        const sender = new BlockSender();
        const receiver = new BlockReceiver();
        const own = (page: number): FoundBlock => ({
            region: 'main',
            place: 'main>ul',
            links: [link(`p${page}`, 5)],
        });
        let [held, forgot, whole] = [0, 0, 0];
        for (let page = 0; page < 9_000; page++) {
            const sent = over(sender.send([menu(page), own(page), own(page + 1)]));
            if (sent.forget) [held, forgot] = [0, forgot + 1];
            held += sent.blocks.filter(({ number, block }) => number > 0 && block !== null).length;
            expect(held).toBeLessThan(2_000 + 3);
            if (sent.blocks[0]?.block) whole++;
            const back = receiver.receive(sent);
            expect(back.map(({ block }) => block.links.map(({ anchor }) => anchor))).toEqual([
                ['oak', 'elm'],
                [`p${page}`],
                [`p${page + 1}`],
            ]);
            expect(back[0]?.line).toBe(page);
        }
        // All but a few of nine thousand blocks were met again; the menu goes over whole twice, and after each forgetting.
        expect(forgot).toBe(4);
        expect(whole).toBeLessThanOrEqual(2 + forgot + 2);
    });

    it('forgets by size as well: a million characters, however few blocks hold them', () => {
        const sender = new BlockSender();
        const receiver = new BlockReceiver();
        const forgot: number[] = [];
        for (let page = 0; page < 40; page++) {
            const anchor = String.fromCharCode(97 + (page % 26)).repeat(100_000 + page);
            const own: FoundBlock = { region: 'main', place: 'main>ul', links: [link('x', 5, { anchor })] };
            const sent = over(sender.send([own]));
            if (sent.forget) forgot.push(page);
            expect(receiver.receive(sent)[0]?.block).toEqual(own);
        }
        // All look alike, so each but the first is remembered; ten of them are more than a million characters.
        expect(forgot).toEqual([11, 21, 31]);
    });

    it('refuses a number that was never handed over', () => {
        const stray = { blocks: [{ number: 7, block: null, line: 1 }], forget: false };
        expect(() => new BlockReceiver().receive(stray)).toThrow(/never handed over/);
    });
});
