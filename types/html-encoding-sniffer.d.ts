declare module 'html-encoding-sniffer' {
    /** The HTML standard's encoding sniffing algorithm: BOM, transport label, meta prescan, default. */
    export default function sniffHTMLEncoding(
        bytes: Uint8Array,
        options?: { xml?: boolean; transportLayerEncodingLabel?: string; defaultEncoding?: string },
    ): string;
}
