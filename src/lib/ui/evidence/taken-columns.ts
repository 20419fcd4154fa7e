/** What the columns of a file of evidence are taken for, as the reader says it, and the mapping that comes of it. */
import type { ListKind } from '../../core/evidence/evidence-lists.ts';
import type { UploadPreview } from '../../wire/evidence.ts';

export type ColumnRole = 'url' | 'source' | 'number' | 'date' | 'left';

/** One role a column of the file, as the server proposes them. */
export function proposedRoles({ rows, mapping }: UploadPreview): ColumnRole[] {
    const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
    const kept = new Map(mapping.kept.map(({ index, type }) => [index, type]));
    return Array.from({ length: width }, (_, index) => {
        if (index === mapping.url) return 'url';
        if (index === mapping.source) return 'source';
        return kept.get(index) ?? 'left';
    });
}

/** The name of a column in the file, or its place where the file names none; 60 characters at most. */
export function columnName({ rows, mapping }: UploadPreview, index: number): string {
    const header = mapping.hasHeader ? rows[0]?.[index]?.trim() : '';
    return (header || `column ${index + 1}`).slice(0, 60);
}

type Taken = { ok: true; mapping: UploadPreview['mapping'] } | { ok: false; say: string };

/** The mapping that the roles say; refused where a column that is needed has not been named. */
export function takenColumns(preview: UploadPreview, roles: readonly ColumnRole[], kind: ListKind): Taken {
    const url = roles.indexOf('url');
    if (url === -1) return { ok: false, say: 'Say which column holds the address.' };
    const source = roles.indexOf('source');
    if (kind === 'external' && source === -1) return { ok: false, say: 'Say which column holds the page that links.' };
    const kept = roles.flatMap((type, index) =>
        type === 'number' || type === 'date' ? [{ index, type, name: columnName(preview, index) }] : [],
    );
    const { hasHeader } = preview.mapping;
    return { ok: true, mapping: { hasHeader, url, source: source === -1 ? null : source, kept } };
}
