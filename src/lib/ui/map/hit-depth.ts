/** What stands at a point of the map by depth, and where a page is drawn in it. */
import type { DepthLayout, MapBar } from '../../core/map/depth-layout.ts';
import type { MapPlace, MapPlaces, Step } from './map-place.ts';

/** Finds places without looking at all of them: cells by band, in rows. */
export class DepthPlaces implements MapPlaces {
    readonly #layout: DepthLayout;
    /** First cell of each band; cells are in the order of bands. */
    readonly #bandStart: Uint32Array;
    readonly #cellOf = new Map<number, number>();

    constructor(layout: DepthLayout) {
        this.#layout = layout;
        const { cells, bands, order } = layout;
        this.#bandStart = new Uint32Array(bands.length + 1);
        for (const band of cells.band) this.#bandStart[band + 1]!++;
        for (let band = 0; band < bands.length; band++) this.#bandStart[band + 1]! += this.#bandStart[band]!;
        for (let cell = 0; cell < cells.x.length; cell++) {
            for (let at = cells.start[cell]!; at < cells.start[cell + 1]!; at++) this.#cellOf.set(order[at]!, cell);
        }
    }

    at(x: number, y: number): MapPlace | null {
        const { bars, bands, cells, pitch } = this.#layout;
        const bar = bars.find((own) => x >= own.x && x < own.x + own.width && y >= own.y && y < own.y + own.height);
        if (bar) return barPlace(bar);
        const band = bands.findIndex((own) => y >= own.y && y < own.y + own.height);
        if (band === -1) return null;
        for (let cell = this.#bandStart[band]!; cell < this.#bandStart[band + 1]!; cell++) {
            const [left, top] = [cells.x[cell]!, cells.y[cell]!];
            if (x >= left && x < left + pitch && y >= top && y < top + pitch) return this.#place(cell);
        }
        return null;
    }

    of(node: number): MapPlace | null {
        const bar = this.#layout.bars.find((own) => own.node === node);
        if (bar) return barPlace(bar);
        const cell = this.#cellOf.get(node);
        return cell === undefined ? null : this.#place(cell);
    }

    /** Within its column and band, else to the nearest in that direction. */
    next(from: MapPlace, step: Step): MapPlace {
        const { cells, bars, pitch } = this.#layout;
        const [x, y] = [from.x + Math.min(from.width, pitch) / 2, from.y + from.height / 2];
        const isAcross = step === 'left' || step === 'right';
        const sign = step === 'left' || step === 'up' ? -1 : 1;
        let [best, distance] = [from, Infinity];
        const look = (left: number, top: number, width: number, height: number, make: () => MapPlace): void => {
            const [dx, dy] = [left + Math.min(width, pitch) / 2 - x, top + height / 2 - y];
            const [along, aside] = isAcross ? [dx * sign, Math.abs(dy)] : [dy * sign, Math.abs(dx)];
            if (along <= 0.5) return;
            const far = along + 3 * aside;
            if (far < distance) [best, distance] = [make(), far];
        };
        for (const bar of bars) look(bar.x, bar.y, bar.width, bar.height, () => barPlace(bar));
        for (let cell = 0; cell < cells.x.length; cell++) {
            look(cells.x[cell]!, cells.y[cell]!, pitch, pitch, () => this.#place(cell));
        }
        return best;
    }

    within(isIn: (x: number, y: number) => boolean): number[] {
        const { cells, bars, pitch, order } = this.#layout;
        const nodes = bars.filter(({ x, y, height }) => isIn(x + 4, y + height / 2)).map(({ node }) => node);
        for (let cell = 0; cell < cells.x.length; cell++) {
            if (!isIn(cells.x[cell]! + pitch / 2, cells.y[cell]! + pitch / 2)) continue;
            for (let at = cells.start[cell]!; at < cells.start[cell + 1]!; at++) nodes.push(order[at]!);
        }
        return nodes;
    }

    first(): MapPlace | null {
        const [bar] = this.#layout.bars;
        return bar ? barPlace(bar) : this.#layout.cells.x.length > 0 ? this.#place(0) : null;
    }

    #place(cell: number): MapPlace {
        const { cells, order, pitch } = this.#layout;
        return {
            nodes: order.subarray(cells.start[cell], cells.start[cell + 1]),
            x: cells.x[cell]!,
            y: cells.y[cell]!,
            width: pitch,
            height: pitch,
            group: null,
            into: null,
        };
    }
}

const barPlace = ({ x, y, width, height, node }: MapBar): MapPlace => ({
    nodes: [node],
    x,
    y,
    width,
    height,
    group: null,
    into: null,
});
