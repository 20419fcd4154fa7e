/**
 * A function of a model that is worked out once for each: measures that build on the same one share it. What was worked
 * out goes with the model; a changed model is another one.
 */
import type { GraphModel } from './graph-model.ts';

export function perModel<T>(measure: (model: GraphModel) => T): (model: GraphModel) => T {
    const known = new WeakMap<GraphModel, { value: T }>();
    return (model) => {
        let found = known.get(model);
        if (!found) known.set(model, (found = { value: measure(model) }));
        return found.value;
    };
}
