/**
 * The areas: the questions the application answers, each with the views that answer it. The rail, the line of parts, Find,
 * the keys, the way from one survey to another, the tests that look at every view and the docs are made of this list. How
 * one is added is in `CONTRIBUTING.md`.
 */

export type AreaIcon = 'page' | 'ways' | 'scale' | 'quote' | 'gate' | 'table' | 'link' | 'compass' | 'door' | 'map';

export interface AreaView {
    /** Its route, below the survey. */
    id: string;
    /** As the line of parts calls it. */
    name: string;
    /** It shows the current set against the whole: the set goes with the reader into it. */
    takesSet: boolean;
}

export interface Area {
    name: string;
    /** What it answers. */
    question: string;
    icon: AreaIcon;
    /** The key that leads there. */
    key: string;
    /** The first is where the area begins; with more than one they have a line of their own. */
    views: readonly [AreaView, ...AreaView[]];
}

const view = (id: string, name: string, takesSet = false): AreaView => ({ id, name, takesSet });

/** The areas of a survey, in the order of the rail. */
export const AREAS: readonly Area[] = [
    {
        name: 'Brief',
        question: 'where do we stand?',
        icon: 'page',
        key: '1',
        views: [view('brief', 'Brief', true)],
    },
    {
        name: 'Reach',
        question: 'can it be got to?',
        icon: 'ways',
        key: '2',
        views: [
            view('reach', 'Depth and holds', true),
            view('orphans', 'Orphans'),
            view('templates', 'Templates'),
            view('structure', 'Intended structure'),
        ],
    },
    {
        name: 'Weight',
        question: 'where does weight go?',
        icon: 'scale',
        key: '3',
        views: [view('weight', 'Weight', true)],
    },
    {
        name: 'Anchors',
        question: 'what do links say?',
        icon: 'quote',
        key: '4',
        views: [
            view('anchors', 'Profiles', true),
            view('same-words', 'Same words'),
            view('wording', 'Wording'),
            view('proposals', 'Proposals', true),
            view('laid-aside', 'Laid aside'),
        ],
    },
    {
        name: 'Signals',
        question: 'what may be indexed?',
        icon: 'gate',
        key: '5',
        views: [
            view('causes', 'Causes'),
            view('gates', 'Gates', true),
            view('robots', 'Robots'),
            view('sitemaps', 'Sitemaps'),
            view('canonicals', 'Canonicals'),
            view('variants', 'Variants'),
            view('languages', 'Languages'),
            view('spent', 'Spent'),
            view('checks', 'Checks'),
        ],
    },
    {
        name: 'Map',
        question: 'see it whole',
        icon: 'map',
        key: '6',
        views: [view('map', 'The whole site', true), view('around', 'Around a page', true), view('journey', 'Journey')],
    },
    { name: 'Pages', question: 'look a page up', icon: 'table', key: '7', views: [view('pages', 'Pages', true)] },
    { name: 'Links', question: 'look a link up', icon: 'link', key: '8', views: [view('links', 'Links', true)] },
    {
        name: 'Survey',
        question: 'how was it read?',
        icon: 'compass',
        key: '9',
        views: [
            view('progress', 'How it was read'),
            view('completeness', 'Completeness'),
            view('evidence', 'Evidence'),
            view('links-in', 'Links in'),
            view('hosts', 'Other hosts'),
        ],
    },
];

/** The area that a view is of, and the view; null for what is in no area. */
export function viewNamed(id: string): { area: Area; view: AreaView } | null {
    for (const area of AREAS) {
        const found = area.views.find((item) => item.id === id);
        if (found) return { area, view: found };
    }
    return null;
}

/** All views, area by area. */
export const VIEWS: readonly AreaView[] = AREAS.flatMap(({ views }) => views);
