/** The parts of an area: names of routes, and how they are called in its line. */
export const SURVEY_PARTS = {
    progress: 'How it was read',
    completeness: 'Completeness',
    evidence: 'Evidence',
    sitemaps: 'Sitemaps',
    'links-in': 'Links in',
    hosts: 'Other hosts',
} as const;

export const REACH_PARTS = {
    reach: 'Depth and holds',
    orphans: 'Orphans',
    templates: 'Templates',
    structure: 'Intended structure',
} as const;
