/** What of random walks stands in the address, so that they can be sent to somebody or kept: the same walks anywhere. */
interface Params {
    get(name: string): string | null;
}

export interface WalksChosen {
    walks: number;
    clicks: number;
    seed: number;
    deadEnds: boolean;
    /** Page of which it is told how long it takes to get there, as typed; empty for where the trail stands. */
    until: string;
}

/** Numbers that can be chosen, and those that stand where nothing is. */
export const WALK_NUMBERS = {
    walks: { usual: 10_000, min: 100, max: 250_000 },
    clicks: { usual: 20, min: 1, max: 1_000 },
    seed: { usual: 11, min: 0, max: 999_999 },
} as const;
export type WalkNumber = keyof typeof WALK_NUMBERS;

export function walksOf(params: Params): WalksChosen {
    const number = (name: WalkNumber): number => {
        const { usual, min, max } = WALK_NUMBERS[name];
        const text = params.get(name);
        const asked = text === null || text === '' ? usual : Math.trunc(Number(text));
        return Number.isFinite(asked) ? Math.min(max, Math.max(min, asked)) : usual;
    };
    return {
        walks: number('walks'),
        clicks: number('clicks'),
        seed: number('seed'),
        deadEnds: params.get('ends') !== 'left',
        until: params.get('until') ?? '',
    };
}
