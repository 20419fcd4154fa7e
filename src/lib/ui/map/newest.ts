/**
 * Takes an answer unless something newer was asked meanwhile: what an effect returns, so that its next run calls it off.
 */
export function newest<T>(asked: Promise<T>, take: (answer: T) => void): () => void {
    let isOld = false;
    void asked.then((answer) => {
        if (!isOld) take(answer);
    });
    return () => (isOld = true);
}
