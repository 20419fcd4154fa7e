/** The columns of the pages table: how each is called and shown. */
import { PAGE_COLUMNS, type PageColumn } from '$lib/core/survey/page-record.ts';

export interface ColumnLook {
    name: string;
    /** CSS grid width. */
    width: string;
    isNumber: boolean;
}

const LOOKS: Partial<Record<PageColumn, ColumnLook>> = {
    url: { name: 'Address', width: 'minmax(220px, 3fr)', isNumber: false },
    title: { name: 'Title', width: 'minmax(140px, 2fr)', isNumber: false },
    depth: { name: 'Depth', width: '64px', isNumber: true },
    gate: { name: 'Gate', width: '140px', isNumber: false },
    incoming_pages: { name: 'Incoming pages', width: '76px', isNumber: true },
    incoming_links: { name: 'Incoming links', width: '76px', isNumber: true },
    incoming_followed: { name: 'Incoming followed', width: '76px', isNumber: true },
    outgoing_links: { name: 'Outgoing links', width: '76px', isNumber: true },
    words: { name: 'Words', width: '64px', isNumber: true },
    status: { name: 'Status', width: '60px', isNumber: true },
    evidence: { name: 'Evidence', width: 'minmax(96px, 1fr)', isNumber: false },
};

/** Columns that say something now; `standing` waits until it exists. */
export const CHOOSABLE: PageColumn[] = PAGE_COLUMNS.filter((column) => column !== 'standing');

export const DEFAULT_COLUMNS: PageColumn[] = ['url', 'title', 'depth', 'gate', 'incoming_pages', 'words', 'evidence'];

export function lookOf(column: PageColumn): ColumnLook {
    const name = column.replaceAll('_', ' ');
    return (
        LOOKS[column] ?? { name: name[0]!.toUpperCase() + name.slice(1), width: 'minmax(96px, 1fr)', isNumber: false }
    );
}

/** Columns of a URL parameter; the address always stands first. */
export function readColumns(text: string | null): PageColumn[] {
    if (text === null) return DEFAULT_COLUMNS;
    const wanted = text.split(',');
    return ['url', ...CHOOSABLE.filter((column) => column !== 'url' && wanted.includes(column))];
}
