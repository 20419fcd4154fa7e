/**
 * Who may do what: one place for all routes. Today there is one actor, the owner of the instance, who may do everything;
 * other actors only add to the table of what each may.
 */

/** What a route does. */
export const ACTS = {
    see: 'looks at a site, its surveys and what was said of them',
    say: 'keeps sets, notes, priorities, goals and the intended structure',
    survey: 'starts surveys, stops them, goes on with them and changes what they may do',
    bring: 'brings evidence from elsewhere',
    knock: 'has the door of a site checked',
    add: 'adds a site',
    remove: 'deletes a survey',
} as const;
export type Act = keyof typeof ACTS;

export interface Actor {
    role: keyof typeof ROLES;
}

/** What each role may do. */
const ROLES = { owner: new Set<Act>(Object.keys(ACTS) as Act[]) } as const;

/** The one who runs the instance: it listens on loopback, and asks nobody who they are. */
export const OWNER: Actor = { role: 'owner' };

/** @param site number of the site it is done to; null where it is done to none */
export function authorize(actor: Actor, act: Act, _site: number | null): boolean {
    return ROLES[actor.role].has(act);
}
