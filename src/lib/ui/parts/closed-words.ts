/** Why a family of URLs is closed, by the name of the reason. */
export const WHY_CLOSED: Record<string, string> = {
    combinations: 'parameters combine without end',
    counter: 'counts on without end, and leads to nothing else',
    repeat: 'its path goes round',
    session: 'a session in the URL',
    'near-doubles': 'its pages are nearly the same',
    'nothing-new': 'its pages hold nothing of their own and lead nowhere else',
    number: 'not understood, closed by number: it grows on, and no sitemap lists it',
    hand: 'closed by hand',
};
