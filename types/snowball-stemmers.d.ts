declare module 'snowball-stemmers' {
    /** Stemmers by the Snowball algorithms (snowballstem.org). */
    const snowball: {
        /** @param algorithm name of a language in English, in small letters */
        newStemmer(algorithm: string): { stem(word: string): string };
        algorithms(): string[];
    };
    export default snowball;
}
