/** The columns of the links table: how each is called and shown. */
interface LinkLook {
    name: string;
    what: string;
    width: string;
    isNumber: boolean;
}

const text = (name: string, what: string, width = 'minmax(96px, 1fr)'): LinkLook => ({
    name,
    what,
    width,
    isNumber: false,
});
const number = (name: string, what: string): LinkLook => ({ name, what, width: '76px', isNumber: true });

export const LINK_LOOKS: Record<string, LinkLook> = {
    source: text('From', 'The page the link stands on.', 'minmax(180px, 2fr)'),
    target: text('To', 'Where it leads, as written, redirects not resolved.', 'minmax(180px, 2fr)'),
    anchor: text('Anchor', 'Its text, with image alts in place.', 'minmax(140px, 2fr)'),
    name: text('Name', 'Accessible name, where it differs from the anchor.'),
    region: text('Region', 'Where on the page it stands.', '72px'),
    rel: text('Rel', 'Its rel, as written.'),
    kind: text('Kind', 'What kind of link it is.', '80px'),
    followed: text('Followed', 'Neither the link nor its page says nofollow.', '72px'),
    line: number('Line', 'Line of the source it stands in.'),
    block: text('Block', 'Name of the piece of markup it stands in.', '140px'),
    internal: text('Internal', 'Leads to a page of the site.', '72px'),
    target_status: number('Status', 'What its target answered.'),
    fragment: text('Fragment', 'What follows the # in its address.'),
    href: text('Href', 'The address as written in the source.', 'minmax(140px, 1fr)'),
    column: number('Column', 'Column of the source it stands in.'),
    template: text('Template', 'Template its block is of.', '140px'),
    source_depth: number('From depth', 'Depth of the page it stands on.'),
    source_standing: number('From standing', 'Standing of the page it stands on.'),
    target_depth: number('To depth', 'Depth of the page it leads to.'),
    target_standing: number('To standing', 'Standing of the page it leads to.'),
};
