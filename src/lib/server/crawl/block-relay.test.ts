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
    it('hands the same menu over once, and gives back one object with the line of each page', () => {
        const sender = new BlockSender();
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
        const back = receiver.receive(over(sender.send(sent)));
        expect(back.map((placed) => placed.block)).toEqual(sent);
        expect(new Set(back.map((placed) => placed.block)).size).toBe(sent.length);
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

    it('stays within its bound on a site where no two blocks are alike, and is right throughout', () => {
        const sender = new BlockSender();
        const receiver = new BlockReceiver();
        const forgot: number[] = [];
        for (let page = 0; page < 9_000; page++) {
            const own: FoundBlock = { region: 'main', place: 'main>ul', links: [link(`p${page}`, 5)] };
            const sent = over(sender.send([menu(page), own]));
            if (sent.forget) forgot.push(page);
            const back = receiver.receive(sent);
            expect(back[0]?.block.links.map((item) => item.anchor)).toEqual(['oak', 'elm']);
            expect(back[0]?.line).toBe(page);
            expect(back[1]?.block).toEqual(own);
        }
        // One more with each page, and the menu: 2,001 are held after the two thousandth, one too many.
        expect(forgot).toEqual([2_000, 4_000, 6_000, 8_000]);
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
        // Ten of them are more than a million characters.
        expect(forgot).toEqual([10, 20, 30]);
    });

    it('refuses a number that was never handed over', () => {
        const stray = { blocks: [{ number: 7, block: null, line: 1 }], forget: false };
        expect(() => new BlockReceiver().receive(stray)).toThrow(/never handed over/);
    });
});
