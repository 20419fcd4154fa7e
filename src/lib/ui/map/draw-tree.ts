/** Draws an icicle: a box a page or folder, as wide as what lies below it; a bar of full hue on top, name and number in it. */
import { FORM, gateAt, type MapFacts } from '../../core/map/map-facts.ts';
import type { LooseCells, TreeBox, TreeLayout } from '../../core/map/tree-layout.ts';
import { count, counted } from '../parts/format.ts';
import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
import type { Drawn } from './draw-depth.ts';
import { drawGround } from './draw-ground.ts';
import { DIMMED, fillOf, hueOfSection, shadeOf, isLit, MadeOfLook, type MapLook, type Palette } from './map-look.ts';
import { cutTo, isSeen, type Pen } from './pen.ts';

const GAP = 1;
const BAR = 3;
/** From this width on a box can hold a name. */
const NAMED = 30;
/** In less than this not even a digit stands. */
const LEAST_DIGIT = 5;
/** Two lines of text need so much. */
const TWO_LINES = 36;
const LEAST_OUTSIDE = 52;
const GLYPH = 12;
const SHARE_BAR = 7;

const SHARES_OF = new MadeOfLook<TreeLayout, Uint32Array>();
const LIT_BOXES = new MadeOfLook<TreeLayout, Uint8Array>();

export function drawTree(pen: Pen, drawn: Drawn<TreeLayout>, palette: Palette, look: MapLook): void {
    const { layout, facts } = drawn;
    const shares =
        look.classes === null
            ? null
            : SHARES_OF.of(layout, [look.classes, look.entries.length], () => sharesOf(layout, look));
    const { boxes, levels, loose, width } = layout;
    drawGround(pen, levels, width, palette);
    const isBoxLit = look.lit === null ? null : LIT_BOXES.of(layout, [look.lit], () => litBoxes(layout, look.lit!));
    boxes.forEach((box, number) => {
        if (!isSeen(look.window, box.x, box.y, box.width, box.height)) return;
        pen.cover(isBoxLit === null || isBoxLit[number] === 1 ? 1 : DIMMED);
        drawBox(pen, drawn, palette, look, box);
        if (shares !== null && (box.kind === 'gathered' || box.kind === 'rest')) {
            drawShares(pen, box, shares.subarray(number * look.entries.length), palette, look);
        }
        if (box.cuts > 0) drawCut(pen, box, palette);
    });
    pen.cover(1);
    drawOutside(pen, layout, palette);
    if (loose) drawLoose(pen, loose, facts, palette, look, width);
}

/** Pages of each entry of the legend in each box: those of box `n` from `n · entries` on. */
function sharesOf({ boxes, boxOf }: TreeLayout, { classes, entries }: MapLook): Uint32Array {
    const found = new Uint32Array(boxes.length * entries.length);
    boxOf.forEach((box, node) => {
        const own = classes![node]!;
        if (box >= 0 && own < entries.length) found[box * entries.length + own]!++;
    });
    return found;
}

/** At the foot of what stands for several pages: how many have each shade. */
function drawShares(pen: Pen, box: TreeBox, shares: Uint32Array, palette: Palette, { entries }: MapLook): void {
    const hue = hueOfSection(box.section);
    const y = box.y + box.height - GAP - SHARE_BAR;
    const scale = Math.max(0, box.width - GAP) / box.pages;
    let x = box.x;
    entries.forEach((entry, at) => {
        const wide = shares[at]! * scale;
        if (wide > 0) pen.fill(x, y, wide, SHARE_BAR, shadeOf(palette, entry, hue));
        x += wide;
    });
}

/** A cut at the top of a box, through its bar; of those gathered as wide as their share. */
function drawCut(pen: Pen, { x, y, width, pages, kind, cuts }: TreeBox, palette: Palette): void {
    const wide = kind === 'gathered' ? Math.max(2, ((width - GAP) * cuts) / pages) : Math.min(10, width - GAP);
    pen.fill(x, y + GAP, wide, BAR, palette.paper);
    pen.line(
        [
            { x, y: y + GAP + BAR + 1 },
            { x: x + wide, y: y + GAP },
        ],
        { colour: palette.ink, wide: 1.5 },
    );
}

/** Boxes with a page of the current set in them. */
function litBoxes({ boxes, boxOf }: TreeLayout, lit: Uint8Array): Uint8Array {
    const found = new Uint8Array(boxes.length);
    boxOf.forEach((box, node) => {
        if (box >= 0 && lit[node] === 1) found[box] = 1;
    });
    // A folder is lit by what lies in it.
    for (let box = boxes.length - 1; box >= 0; box--) {
        const { above } = boxes[box]!;
        if (above >= 0 && found[box] === 1 && boxes[above]!.node < 0) found[above] = 1;
    }
    return found;
}

function drawBox(pen: Pen, { facts }: Drawn<TreeLayout>, palette: Palette, look: MapLook, box: TreeBox): void {
    const { kind, node, pages } = box;
    const hue = hueOfSection(box.section);
    const [x, y] = [box.x, box.y + GAP];
    const width = Math.max(0.5, box.width - GAP);
    const height = box.height - 2 * GAP;
    if (kind === 'gathered') {
        pen.fill(x, y, width, height, palette.hue(hue, 0.1));
        if (width > 3) pen.outline(x, y, width, height, { colour: palette.hue(hue, 0.6), wide: 1, dash: [2, 2] });
        if (width < LEAST_DIGIT) return;
        const words = counted(pages, 'smaller page');
        const number = count(pages);
        const middle = y + height / 2;
        if (pen.widthOf(words) + 8 <= width) pen.text(words, x + 4, middle, palette.inked(0.8));
        else if (pen.widthOf(number) + 4 <= width) pen.text(number, x + 2, middle, palette.inked(0.8));
        return;
    }
    const isStopped = node >= 0 && facts.form[node] === FORM.stopped;
    const isUnreached = node >= 0 && facts.form[node] === FORM.unreached;
    const isPlain = node < 0 || isStopped || isUnreached;
    const left = isPlain ? 4 : 10;
    // Behind words only so much of the hue that they can be read.
    const ground = node < 0 ? palette.hue(hue, 0.08) : isPlain ? palette.paper : palette.hue(hue, 0.16);
    pen.fill(x, y, width, height, ground);
    if (!isPlain) {
        pen.fill(x, y + BAR, Math.min(width, 7), height - BAR, fillOf(palette, look, [node], 0, 1, hue));
    } else if (isUnreached) pen.hatch(x, y, width, height, palette.inked(0.35), 3);
    pen.fill(x, y, width, BAR, palette.hue(hue, node < 0 ? 0.5 : 1));
    if (width > 2) {
        const dash = node < 0 ? { dash: [4, 2] } : {};
        pen.outline(x, y, width, height, { colour: palette.hue(hue, isStopped ? 1 : 0.7), wide: 1, ...dash });
    }
    const gate = isStopped ? gateAt(facts.gate[node]!) : null;
    if (gate && width > GLYPH + 4) {
        pen.glyph(GATE_GLYPHS[gate], x + width - GLYPH - 2, y + BAR + 1, GLYPH, palette.ink);
    }
    if (kind === 'rest' && width > 3) {
        for (let at = x + 2; at < x + width - 2; at += 6) pen.fill(at, y + height - 2, 3, 2, palette.inked(0.7));
    }
    const room = { x: x + left, y: y + BAR, width: width - left - 3 - (gate ? GLYPH : 0), height: height - BAR };
    writeIn(pen, box, palette, room);
}

function writeIn(
    pen: Pen,
    { name, pages, node, kind }: TreeBox,
    palette: Palette,
    room: { x: number; y: number; width: number; height: number },
): void {
    if (room.width < LEAST_DIGIT) return;
    const number = count(pages);
    const isMissing = kind === 'missing';
    const below = pages - Number(node >= 0 || isMissing);
    if (room.width >= NAMED) {
        const isTwo = room.height >= TWO_LINES && (below > 0 || isMissing);
        const first = room.y + (isTwo ? room.height / 2 - 7 : room.height / 2);
        const own = below > 0 && !isTwo ? pen.widthOf(number, 'bold') + 6 : 0;
        const cut = cutTo(pen, name, room.width - own, 'bold');
        if (cut === null && below > 0) {
            if (pen.widthOf(number) <= room.width) pen.text(number, room.x, room.y + room.height / 2, palette.ink);
            return;
        }
        if (cut !== null) pen.text(cut, room.x, first, palette.ink, 'bold');
        if (own > 0) pen.text(number, room.x + room.width - own + 6, first, palette.ink);
        if (!isTwo) return;
        const words =
            isMissing && below === 0
                ? 'no page'
                : kind === 'rest'
                  ? `${count(below)} on`
                  : node < 0
                    ? counted(pages, 'page')
                    : `${count(below)} behind`;
        const second = cutTo(pen, words, room.width) ?? number;
        pen.text(second, room.x, first + 15, palette.inked(0.8));
        return;
    }
    if (below > 0 && pen.widthOf(number) <= room.width) pen.text(number, room.x, room.y + room.height / 2, palette.ink);
}

/** Names of stems that are too narrow for them, where nothing stands at their right. */
function drawOutside(pen: Pen, { boxes, levels, width }: TreeLayout, palette: Palette): void {
    levels.forEach((_, level) => {
        const own = boxes.filter((box) => box.level === level).sort((a, b) => a.x - b.x);
        // What is gathered at its right belongs to the one before it: the name stands behind both.
        let named: TreeBox | null = null;
        own.forEach((box, at) => {
            if (box.kind !== 'gathered') named = box.width - GAP < NAMED + 12 ? box : null;
            const end = box.x + box.width;
            const room = (own[at + 1]?.x ?? width) - end - 8;
            if (named === null || room < LEAST_OUTSIDE) return;
            const below = named.pages - Number(named.node >= 0);
            const words = below > 0 ? `${named.name}  ${count(below)} behind` : named.name;
            const cut = cutTo(pen, words, Math.min(room, 220));
            if (cut !== null) pen.text(cut, end + 5, box.y + box.height / 2, palette.ink);
            named = null;
        });
    });
}

function drawLoose(
    pen: Pen,
    loose: LooseCells,
    { form, section }: MapFacts,
    palette: Palette,
    look: MapLook,
    width: number,
): void {
    const { x, y, pitch, start, order, groups } = loose;
    const size = pitch - GAP;
    for (let cell = 0; cell < x.length; cell++) {
        pen.cover(isLit(look, order, start[cell]!, start[cell + 1]!) ? 1 : DIMMED);
        const [from, to] = [start[cell]!, start[cell + 1]!];
        const first = order[from]!;
        const isFilled = form[first] === FORM.indexable;
        const hue = hueOfSection(section[first]!);
        pen.fill(
            x[cell]!,
            y[cell]!,
            size,
            size,
            isFilled ? fillOf(palette, look, order, from, to, hue) : palette.paper,
        );
        if (form[first] === FORM.unreached) pen.hatch(x[cell]!, y[cell]!, size, size, palette.ink, 3);
        pen.outline(x[cell]!, y[cell]!, size, size, { colour: palette.ink, wide: 1 });
    }
    pen.cover(1);
    for (const { from, to, isIsland } of groups) {
        // An island that goes on in the next row has no frame that tells it.
        if (!isIsland || y[from] !== y[to - 1]) continue;
        const wide = x[to - 1]! - x[from]! + size;
        pen.outline(x[from]! - 2, y[from]! - 2, wide + 4, size + 4, { colour: palette.ink, wide: 1.5 });
    }
    const end = (x.at(-1) ?? 0) + pitch + 8;
    const islands = groups.filter(({ isIsland }) => isIsland).length;
    const isMeant = form[order[0]!] !== FORM.unreached;
    const words = isMeant
        ? 'no part of the structure'
        : `hang on nothing${islands === 0 ? '' : `; framed: ${counted(islands, 'island')}`}`;
    const cut = y[0] === y.at(-1) ? cutTo(pen, words, width - end) : null;
    if (cut !== null) pen.text(cut, end, y[0]! + size / 2, palette.inked(0.8));
}
