/** What is worked out of a survey once, and kept for as long as the survey is. */
const made = new WeakMap<object, Map<string, unknown>>();

/** @param name of what is made: the same name gives the same thing again */
export function once<T>(survey: object, name: string, make: () => T): T {
    let own = made.get(survey);
    if (!own) made.set(survey, (own = new Map()));
    if (!own.has(name)) own.set(name, make());
    return own.get(name) as T;
}
