/**
 * How complete a survey is: what was known and not read, and which parts of the site links never touch. What therefore
 * cannot be claimed is told by `checks/limits.ts`. Counts only; every one of them is the size of a set.
 */
import { folderOf } from '../address/section.ts';
import { originOf, pathOf } from '../address/address.ts';
import { sectionOf } from '../address/section.ts';
import { UNREACHED } from '../graph/depth.ts';
import { reasonOf } from '../columns/reason-codes.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { EVIDENCE, evidenceBit, evidenceNames, type Evidence } from '../evidence/evidence.ts';

export interface Intersection {
    /** Known by exactly these. */
    evidence: Evidence[];
    urls: number;
    /** Of these, pages that were read (200, HTML). */
    pages: number;
}

/** URLs by the exact evidence they are known by, largest first. O(nodes). */
export function evidenceMatrix(masks: ArrayLike<number>, isPage: (node: number) => boolean): Intersection[] {
    // Eleven kinds of evidence: every mask has a place of its own.
    const urls = new Uint32Array(1 << EVIDENCE.length);
    const pages = new Uint32Array(1 << EVIDENCE.length);
    for (let node = 0; node < masks.length; node++) {
        const mask = masks[node]!;
        urls[mask]!++;
        if (isPage(node)) pages[mask]!++;
    }
    const found: Intersection[] = [];
    for (let mask = 0; mask < urls.length; mask++) {
        if (urls[mask]! > 0) found.push({ evidence: evidenceNames(mask), urls: urls[mask]!, pages: pages[mask]! });
    }
    return found.sort((a, b) => b.urls - a.urls || a.evidence.length - b.evidence.length);
}

/** A part of the site: how much of it is known, read and reached. */
export interface PartCount {
    /** Section name, or origin. */
    name: string;
    known: number;
    read: number;
    pages: number;
    /** Pages that links reach. */
    reached: number;
}

/** A folder that other evidence knows and no link path touches. */
export interface LostFolder {
    /** Path from the root with slashes at both ends. */
    folder: string;
    origin: string;
    urls: number;
    pages: number;
    evidence: Evidence[];
}

export interface Completeness {
    matrix: Intersection[];
    notRead: { reason: string; urls: number }[];
    sections: PartCount[];
    /** Folders one level below the sections that hold two URLs or more; a name is a path with slashes at both ends. */
    folders: PartCount[];
    origins: PartCount[];
    lost: LostFolder[];
    /** Evidence that nobody gave: not asked, never 0. */
    notAsked: Evidence[];
}

/** Evidence that comes from outside. */
const GIVEN: readonly Evidence[] = ['log', 'visits', 'search', 'external'];
/** Needs the parts `core` and `text`. O(nodes). */
export function completenessOf(survey: PackedSurvey, given: ReadonlySet<Evidence>): Completeness {
    const sections = new Map<string, PartCount>();
    const folders = new Map<string, PartCount>();
    const origins = new Map<string, PartCount>();
    const notRead = new Map<string, number>();
    const part = (of: Map<string, PartCount>, name: string): PartCount => {
        let found = of.get(name);
        if (!found) of.set(name, (found = { name, known: 0, read: 0, pages: 0, reached: 0 }));
        return found;
    };
    const urls = survey.texts('url').all();
    const pages = survey.numbers('page');
    const depth = survey.numbers('depth');
    const status = survey.numbers('status');
    const reasonCodes = survey.numbers('not_read');
    for (let node = 0; node < survey.count; node++) {
        const url = urls[node]!;
        const isPage = pages[node] === 1;
        const isReached = isPage && depth[node] !== UNREACHED;
        const wasRead = status[node] !== 0;
        const parts = [part(sections, sectionOf(url)), part(origins, originOf(url))];
        const folder = secondFolder(url);
        if (folder !== '') parts.push(part(folders, folder));
        for (const counts of parts) {
            counts.known++;
            if (wasRead) counts.read++;
            if (isPage) counts.pages++;
            if (isReached) counts.reached++;
        }
        if (!wasRead) {
            const reason = reasonOf(reasonCodes[node]!) || 'waiting';
            notRead.set(reason, (notRead.get(reason) ?? 0) + 1);
        }
    }
    const byKnown = (a: PartCount, b: PartCount): number => b.known - a.known || (a.name < b.name ? -1 : 1);
    const reasons = [...notRead]
        .map(([reason, urls]) => ({ reason, urls }))
        .sort((a, b) => b.urls - a.urls || (a.reason < b.reason ? -1 : 1));
    const notAsked = GIVEN.filter((evidence) => !given.has(evidence));
    return {
        matrix: evidenceMatrix(survey.numbers('evidence'), (node) => pages[node] === 1),
        notRead: reasons,
        sections: [...sections.values()].sort(byKnown),
        folders: [...folders.values()].filter(({ known }) => known > 1).sort(byKnown),
        origins: [...origins.values()].sort(byKnown),
        lost: lostFolders(survey),
        notAsked,
    };
}

/** Path of the first two folders of a URL, `/tools/cutting/`; empty where it lies less deep. */
function secondFolder(url: string): string {
    return /^\/[^/?]+\/[^/?]+\//.exec(pathOf(url))?.[0] ?? '';
}

interface FolderCount {
    urls: number;
    pages: number;
    reached: number;
    mask: number;
}

/**
 * The highest folders in which no page has a depth while the folder above has some. Two URLs or more: one page alone
 * is an orphan, not a section. O(nodes x folder depth).
 */
export function lostFolders(survey: PackedSurvey): LostFolder[] {
    const folders = new Map<string, FolderCount>();
    const urls = survey.texts('url').all();
    const pages = survey.numbers('page');
    const depth = survey.numbers('depth');
    const reasonCodes = survey.numbers('not_read');
    const evidence = survey.numbers('evidence');
    for (let node = 0; node < survey.count; node++) {
        const url = urls[node]!;
        // What a link path could never have given a depth says nothing: redirects, files, what was closed or left.
        if (pages[node] !== 1 && reasonOf(reasonCodes[node]!) !== 'later') continue;
        const isReached = depth[node] !== UNREACHED;
        for (let folder: string | null = folderOf(url); folder !== null; folder = parentOf(folder)) {
            let counts = folders.get(folder);
            if (!counts) folders.set(folder, (counts = { urls: 0, pages: 0, reached: 0, mask: 0 }));
            counts.urls++;
            if (pages[node] === 1) counts.pages++;
            if (isReached) counts.reached++;
            counts.mask |= evidence[node]!;
        }
    }
    const lost: LostFolder[] = [];
    for (const [folder, counts] of folders) {
        if (counts.reached > 0 || counts.urls < 2) continue;
        const parent = parentOf(folder);
        if (parent !== null && folders.get(parent)?.reached === 0) continue;
        const origin = originOf(folder);
        lost.push({
            folder: folder.slice(origin.length),
            origin,
            urls: counts.urls,
            pages: counts.pages,
            evidence: evidenceNames(counts.mask & ~evidenceBit('link')),
        });
    }
    return lost.sort((a, b) => b.urls - a.urls || (a.folder < b.folder ? -1 : 1));
}

/** The folder above, with its origin; null above the root. */
function parentOf(folder: string): string | null {
    const origin = originOf(folder);
    if (folder.length <= origin.length + 1) return null;
    return folder.slice(0, folder.lastIndexOf('/', folder.length - 2) + 1);
}
