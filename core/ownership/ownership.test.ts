import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { escapeAttribute } from '../page/index.ts';
import { findFile, findProof, findRecord } from './index.ts';

const CODE = 'dBw5jvA-aCI_Hzh62fgC1T0pGq9Z';
const TAG = `<meta name="skerry-proof" content="${CODE}">`;

describe('what the engine finds', () => {
  it.each([
    [`<head>${TAG}</head>`, 'verified'],
    ['<head></head>', 'not-found'],
    [`<head></head><body><div>${TAG}</div>`, 'in-body'],
    [`<head><p>x</p>${TAG}</head>`, 'in-body'],
    [`<head>${TAG.replace(CODE, escapeAttribute(TAG))}</head>`, 'altered'],
    [`<head>${TAG.replace(CODE, ` ${CODE}`)}</head>`, 'altered'],
    [`<!-- ${TAG} -->`, 'not-found'],
  ])('%s: %s', (html, kind) => expect(findProof(factsOf(html), 'skerry-proof', CODE).kind).toBe(kind));
});

describe('what it finds elsewhere', () => {
  it.each<[string, readonly (readonly string[])[], string]>([
    ['the record', [[`skerry-proof=${CODE}`]], 'verified'],
    ['among others', [['v=spf1 -all'], [`skerry-proof=${CODE}`]], 'verified'],
    ['in several strings', [['skerry-', 'proof=', CODE]], 'verified'],
    ['with a blank that a panel put behind', [[`skerry-proof=${CODE} `]], 'verified'],
    ['no record', [], 'no-record'],
    ['others', [['v=spf1 -all'], [CODE]], 'other-records'],
    ['in quotes that were meant for the zone file', [[`"skerry-proof=${CODE}"`]], 'other-records'],
  ])('%s', (_, records, kind) => expect(findRecord(records, `skerry-proof=${CODE}`).kind).toBe(kind));
  it.each([
    [CODE, 'verified'],
    [`${CODE}\n`, 'verified'],
    [`${CODE}\r\n`, 'verified'],
    [` ${CODE}`, 'file-differs'],
    [`<p>${CODE}</p>`, 'file-differs'],
    ['', 'file-differs'],
  ])('the file %j: %s', (text, kind) => expect(findFile('a.html', text, CODE).kind).toBe(kind));
});
