/**
 * The full analysis of a link graph, against the same in C++ -O3 where a compiler is there, and against a general
 * JavaScript graph library on a smaller one. Both sides must come to the same numbers.
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DirectedGraph } from 'graphology';
import pagerank from 'graphology-metrics/centrality/pagerank.js';
import { singleSourceLength } from 'graphology-shortest-path/unweighted.js';
import { reachedFrom, strongComponents, weakComponents } from '../src/lib/core/graph/components.ts';
import { depths } from '../src/lib/core/graph/depth.ts';
import { distinctLinks, reversed, type Links } from '../src/lib/core/graph/distinct.ts';
import { dominators, loads } from '../src/lib/core/graph/dominators.ts';
import { degrees, pageRank } from '../src/lib/core/graph/page-rank.ts';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import type { BenchOptions } from './bench.ts';
import { madeGraph, type RawRows } from './made-graph.ts';
import { line, ratio } from './measure.ts';

interface Analysis {
    times: Map<string, number>;
    all: number;
    /** Links, sum of depths, standing of the start page, sweeps, strong and weak components, sum of loads. */
    sums: (number | string)[];
}

function noLinks(nodes: number): Links {
    return { nodes, start: new Uint32Array(nodes + 1), targets: new Uint32Array(0) };
}

const PARTS = ['rows', 'depth', 'rank', 'strong', 'weak', 'dominators'];

/** Everything, as a survey's measures need it. */
function analyse({ nodes, start, targets }: RawRows): Analysis {
    const times = new Map<string, number>();
    const began = performance.now();
    let last = began;
    const lap = (name: string): void => {
        const now = performance.now();
        times.set(name, now - last);
        last = now;
    };
    const out = distinctLinks(nodes, start, targets);
    const into = reversed(out);
    lap('rows');
    const { depth } = depths(out, noLinks(nodes), [0]);
    lap('depth');
    const { rank, sweeps } = pageRank(into, degrees(out));
    lap('rank');
    const strong = strongComponents(out, into, 0);
    lap('strong');
    const weak = weakComponents(out, reachedFrom(out, [0]).order);
    lap('weak');
    const load = loads(dominators(out, into, [0]), new Uint8Array(nodes).fill(1));
    lap('dominators');
    const all = performance.now() - began;
    const sum = (values: ArrayLike<number>): number => {
        let total = 0;
        for (let at = 0; at < values.length; at++) total += values[at]!;
        return total;
    };
    return {
        times,
        all,
        sums: [
            out.targets.length,
            sum(depth),
            (rank[0]! * nodes).toPrecision(8),
            sweeps,
            strong.count,
            weak.count,
            sum(load),
        ],
    };
}

/** Compiles the yardstick; null where there is no compiler. */
function compile(folder: string): string | null {
    const program = join(folder, 'yardstick');
    const source = join(projectRoot(), 'bench/graph-yardstick.cpp');
    for (const compiler of ['g++', 'clang++', 'c++']) {
        const done = spawnSync(compiler, ['-O3', '-march=native', '-std=c++17', '-o', program, source]);
        if (done.status === 0) return program;
    }
    return null;
}

function yardstick(program: string, file: string): Analysis {
    const { stdout } = spawnSync(program, [file], { encoding: 'utf8' });
    const times = new Map<string, number>();
    let sums: string[] = [];
    for (const row of stdout.trim().split('\n')) {
        const [name = '', ...values] = row.split(' ');
        if (name === 'sums') sums = values;
        else times.set(name, Number(values[0]));
    }
    return { times, all: times.get('all') ?? NaN, sums };
}

/** Runs of each side by turns; the quickest counts: what the machine can do when nobody disturbs it. */
const ROUNDS = 6;

export async function graphBench(options: BenchOptions): Promise<void> {
    const folder = mkdtempSync(join(tmpdir(), 'edgemap-graph-'));
    try {
        const program = compile(folder);
        if (program === null) line('C++', 'no compiler on this machine: not compared');
        const sizes: [number, number][] =
            options.pages === null
                ? [
                      [10_000, 36],
                      [100_000, 36],
                      [1_000_000, 19],
                  ]
                : [[options.pages, 36]];
        for (const [nodes, perPage] of sizes) compare(madeGraph(nodes, perPage), folder, program);
        generalLibrary(madeGraph(10_000, 36));
    } finally {
        rmSync(folder, { recursive: true, force: true });
    }
}

function compare(raw: RawRows, folder: string, program: string | null): void {
    const before = process.memoryUsage.rss();
    let ours = analyse(raw);
    if (program === null) {
        tell(raw, ours, before);
        for (const part of PARTS) line(`  ${part}`, `${ours.times.get(part)!.toFixed(1)} ms`);
        return;
    }
    const file = join(folder, 'graph.bin');
    const head = Uint32Array.of(raw.nodes, raw.targets.length);
    writeFileSync(file, Buffer.concat([head, raw.start, raw.targets].map((part) => Buffer.from(part.buffer))));
    let theirs = yardstick(program, file);
    for (let round = 1; round < ROUNDS; round++) {
        const mine = analyse(raw);
        if (mine.all < ours.all) ours = mine;
        const other = yardstick(program, file);
        if (other.all < theirs.all) theirs = other;
    }
    if (theirs.sums.join(' ') !== ours.sums.join(' ')) {
        throw new Error(`The two do not agree: ${ours.sums.join(' ')} here, ${theirs.sums.join(' ')} in C++`);
    }
    tell(raw, ours, before);
    for (const part of PARTS) {
        const [mine, other] = [ours.times.get(part)!, theirs.times.get(part)!];
        line(`  ${part}`, `${mine.toFixed(1)} ms, C++ ${other.toFixed(1)} ms, ${ratio(mine, other)}`);
    }
    line('  ratio, ours to C++', ratio(ours.all, theirs.all));
}

function tell(raw: RawRows, ours: Analysis, before: number): void {
    line(
        `${raw.nodes.toLocaleString('en')} pages, ${raw.targets.length.toLocaleString('en')} links`,
        `${ours.all.toFixed(0)} ms, ${((process.memoryUsage.rss() - before) / 1e6).toFixed(0)} MB more`,
    );
}

/** Depth and PageRank, which such a library has; its strong components recurse and overflow on a list of pages. */
function generalLibrary(raw: RawRows): void {
    const links = distinctLinks(raw.nodes, raw.start, raw.targets);
    // The better of three for each side: the first run of either is spent on being compiled.
    const timed = (work: () => void): number => {
        let best = Infinity;
        for (let run = 0; run < 3; run++) {
            const began = performance.now();
            work();
            best = Math.min(best, performance.now() - began);
        }
        return best;
    };
    const ours = timed(() => {
        const out = distinctLinks(raw.nodes, raw.start, raw.targets);
        const into = reversed(out);
        depths(out, noLinks(raw.nodes), [0]);
        pageRank(into, degrees(out));
    });
    const theirs = timed(() => {
        const graph = new DirectedGraph();
        for (let node = 0; node < raw.nodes; node++) graph.addNode(node);
        for (let node = 0; node < raw.nodes; node++) {
            for (let slot = links.start[node]!; slot < links.start[node + 1]!; slot++) {
                graph.addDirectedEdge(node, links.targets[slot]!);
            }
        }
        singleSourceLength(graph, 0);
        pagerank(graph, { getEdgeWeight: null, alpha: 0.85, tolerance: 1e-10 / raw.nodes, maxIterations: 500 });
    });
    line('rows, depth, rank at 10,000 pages', `${ours.toFixed(1)} ms`);
    line('a general JavaScript graph library', `${theirs.toFixed(0)} ms`);
    line('ratio, library to ours', ratio(theirs, ours));
}
