/** Measuring: the best of several runs, because noise only ever makes a run slower. */

/** Milliseconds of the fastest of some runs. */
export async function fastest(runs: number, work: () => void | Promise<void>): Promise<number> {
    let best = Infinity;
    for (let run = 0; run < runs; run++) {
        const started = performance.now();
        await work();
        best = Math.min(best, performance.now() - started);
    }
    return best;
}

/** Bytes of memory that are really in use: heap and buffers, after collecting. */
export function memoryInUse(): number {
    (globalThis as { gc?: () => void }).gc?.();
    const { heapUsed, external, arrayBuffers } = process.memoryUsage();
    return heapUsed + Math.max(external, arrayBuffers);
}

export function line(name: string, value: string): void {
    console.log(`  ${name.padEnd(52)} ${value}`);
}

export function perSecond(count: number, milliseconds: number): string {
    return `${Math.round((count / milliseconds) * 1000).toLocaleString('en')} a second`;
}

export function ratio(a: number, b: number): string {
    return (a / b).toFixed(2);
}
