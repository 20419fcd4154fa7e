/** The columns of the pages table: how each is called and shown. */

export interface ColumnInfo {
    id: string;
    name: string;
    what: string;
    kind: 'number' | 'date' | 'text' | 'choice' | 'yes';
}

export interface ColumnLook {
    name: string;
    /** CSS grid width. */
    width: string;
    isNumber: boolean;
}

/** Widths of columns that need another than their kind has. */
const WIDTHS: Record<string, string> = {
    url: 'minmax(220px, 3fr)',
    title: 'minmax(140px, 2fr)',
    h1: 'minmax(140px, 2fr)',
    description: 'minmax(160px, 2fr)',
    gate: '140px',
    gate_reason: 'minmax(160px, 2fr)',
    canonical: 'minmax(160px, 2fr)',
    redirect_to: 'minmax(160px, 2fr)',
    path: 'minmax(160px, 2fr)',
    robots_rule: 'minmax(160px, 2fr)',
    depth: '64px',
    status: '60px',
    read_at: '96px',
};

export function lookOf({ id, name, kind }: Pick<ColumnInfo, 'id' | 'name' | 'kind'>): ColumnLook {
    const isNumber = kind === 'number';
    const width = WIDTHS[id] ?? (isNumber ? '80px' : kind === 'yes' ? '72px' : 'minmax(96px, 1fr)');
    const said = id === 'url' ? 'Address' : name === 'h1' ? 'H1' : name[0]!.toUpperCase() + name.slice(1);
    return { name: said, width, isNumber };
}
