/** What a body is: as its server says, or where that says nothing, as its first bytes show; a lie is said. */
import { problem, type Problem } from '../../core/problems/problem.ts';

export interface MediaType {
    /** Lower case, without parameters; empty where nothing can be told. */
    type: string;
    /** What is odd about it; null when nothing is. */
    note: Problem | null;
}

const SAYS_NOTHING = new Set(['', 'unknown/unknown', 'application/unknown', '*/*']);

/** True for a type that tells nothing: then the first bytes decide (MIME Sniffing Standard, 7). */
export function saysNothing(sentType: string): boolean {
    return SAYS_NOTHING.has(sentType) || !sentType.includes('/');
}

const HTML_START =
    /^(?:<!doctype html|<html|<head|<script|<iframe|<h1|<div|<font|<table|<a|<style|<title|<b|<body|<br|<p|<!--)(?:[ >]|--)?/i;

/** Type by the first bytes (MIME Sniffing Standard 7.1: patterns after white space); empty for an empty body. */
function typeByBytes(body: Uint8Array): string {
    if (body.length === 0) return '';
    const bytes = Buffer.from(body.subarray(0, 1445)).toString('latin1');
    if (bytes.startsWith('%PDF-')) return 'application/pdf';
    if (bytes.startsWith('\x1f\x8b\x08')) return 'application/gzip';
    if (bytes.startsWith('PK\x03\x04')) return 'application/zip';
    if (bytes.startsWith('\x89PNG\r\n\x1a\n')) return 'image/png';
    if (bytes.startsWith('\xff\xd8\xff')) return 'image/jpeg';
    if (/^GIF8[79]a/.test(bytes)) return 'image/gif';
    const head = bytes.replace(/^(?:\xEF\xBB\xBF)?[\t\n\f\r ]*/, '');
    if (HTML_START.test(head)) return 'text/html';
    if (head.startsWith('<?xml')) return 'text/xml';
    return /[\x00-\x08\x0e-\x1a\x1c-\x1f]/.test(head) ? 'application/octet-stream' : 'text/plain';
}

/** @param body the first bytes at least; empty where nothing was read of it */
export function mediaTypeOf(sentType: string, body: Uint8Array): MediaType {
    const seen = typeByBytes(body);
    if (saysNothing(sentType)) {
        const type = seen === '' && sentType === '' ? '' : seen;
        const note =
            sentType === ''
                ? problem('type-unsaid', { begins: type })
                : problem('type-says-nothing', { sent: sentType, begins: type });
        return { type, note };
    }
    const isHtml = sentType === 'text/html' || sentType === 'application/xhtml+xml';
    const isLie =
        (isHtml && /^(?:application\/(?:pdf|gzip|zip|octet-stream)|image\/)/.test(seen)) ||
        (!isHtml && seen === 'text/html' && !/xml|svg|javascript|css|json|image\/|font\//.test(sentType));
    return { type: sentType, note: isLie ? problem('type-contradicted', { sent: sentType, begins: seen }) : null };
}
