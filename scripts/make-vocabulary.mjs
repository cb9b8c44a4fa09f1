// Makes the table of the schema.org vocabulary from the types of schema-dts (Apache-2.0): run by hand when that package is another one.
//   node scripts/make-vocabulary.mjs
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import ts from 'typescript';

const require = createRequire(import.meta.url);
const folder = require.resolve('schema-dts').replace(/dist.*$/, '');
const { version, license } = JSON.parse(readFileSync(`${folder}package.json`, 'utf8'));
const source = ts.createSourceFile('schema.d.ts', readFileSync(`${folder}dist/schema.d.ts`, 'utf8'), ts.ScriptTarget.Latest, true);

const bare = (name) => name.replace(/(Base|Leaf)$/, '');
const types = {};
const properties = {};
const meanings = { types: {}, properties: {} };
const typeOf = (name) => (types[name] ??= { parents: [] });

/** What a comment says: its first sentence, without links, and what is to be used instead. */
function told(node) {
  const [doc] = ts.getJSDocCommentsAndTags(node).filter(ts.isJSDoc);
  if (!doc) return {};
  const whole = ts.getTextOfJSDocComment(doc.comment) ?? '';
  const plain = whole
    .replace(/\{@link\s+\S+?\s+([^}]*)\}/g, '$1')
    .replace(/\{@link\s+([^}]*)\}/g, '$1')
    .replace(/<[^>]+>/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  const sentence = /^.{20,}?[.!?](?=\s[A-Z(]|$)/.exec(plain)?.[0] ?? plain;
  const tag = doc.tags?.find((one) => one.tagName.text === 'deprecated');
  const instead = tag && /schema\.org\/(\w+)/.exec(tag.getText(source))?.[1];
  return { meaning: sentence.length > 220 ? `${sentence.slice(0, 217).trimEnd()}…` : sentence, instead: tag ? (instead ?? '') : undefined };
}

/** The names of value types in `SchemaValue<A | B | IdReference, "name">`. */
function rangeOf(type) {
  if (!type || !ts.isTypeReferenceNode(type)) return undefined;
  const [first] = type.typeArguments ?? [];
  const parts = first && ts.isUnionTypeNode(first) ? first.types : first ? [first] : [];
  return parts.flatMap((part) => (ts.isTypeReferenceNode(part) && part.typeName.getText(source) !== 'IdReference' ? [part.typeName.getText(source)] : []));
}

for (const node of source.statements) {
  if (ts.isInterfaceDeclaration(node) && /(Base|Leaf)$/.test(node.name.text)) {
    const name = bare(node.name.text);
    const parents = (node.heritageClauses ?? []).flatMap((clause) => clause.types.map((one) => one.expression.getText(source)));
    for (const parent of parents) if (bare(parent) !== name && /Base$/.test(parent)) typeOf(name).parents.push(bare(parent));
    if (!/Base$/.test(node.name.text)) typeOf(name);
    for (const member of node.members) {
      if (!ts.isPropertySignature(member) || !ts.isStringLiteral(member.name) || member.name.text.startsWith('@')) continue;
      const property = (properties[member.name.text] ??= { of: [], is: [] });
      property.of.push(name);
      for (const range of rangeOf(member.type) ?? []) if (!property.is.includes(range)) property.is.push(range);
      const { meaning, instead } = told(member);
      if (meaning) meanings.properties[member.name.text] ??= meaning;
      if (instead !== undefined) property.instead = instead;
    }
  }
  if (ts.isTypeAliasDeclaration(node) && !/(Base|Leaf)$/.test(node.name.text)) {
    const name = node.name.text;
    const { meaning, instead } = told(node);
    if (meaning) meanings.types[name] = meaning;
    if (instead !== undefined) typeOf(name).instead = instead;
    const parts = ts.isUnionTypeNode(node.type) ? node.type.types : [node.type];
    const members = parts.flatMap((part) =>
      ts.isLiteralTypeNode(part) && ts.isStringLiteral(part.literal) && part.literal.text.startsWith('https://schema.org/')
        ? [part.literal.text.slice(19)]
        : [],
    );
    if (members.length > 0 && name !== 'Boolean') typeOf(name).members = members.sort();
    // What a type is made of are the types right below it: bases leave out those that have no properties of their own.
    for (const part of parts) {
      const below = ts.isTypeReferenceNode(part) ? part.typeName.getText(source) : '';
      if (below !== '' && name !== 'DataType' && !/(Leaf|Base)$/.test(below)) (typeOf(below).above ??= []).push(name);
    }
  }
}
const DATA = ['Boolean', 'Date', 'DateTime', 'Time', 'Number', 'Integer', 'Float', 'Text', 'URL', 'CssSelectorType', 'XPathType', 'PronounceableText'];
for (const [name, type] of Object.entries(types)) {
  type.parents = [...new Set(type.above ?? type.parents)];
  if (DATA.includes(name) || !/^[A-Z0-9]/.test(name)) delete types[name];
}
// Roles are made as generic types, whose names the patterns above do not meet.
for (const name of ['Role', 'OrganizationRole', 'LinkRole', 'PerformanceRole', 'EmployeeRole']) typeOf(name);

const shape = (record, make) =>
  Object.fromEntries(
    Object.entries(record)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, value]) => [name, make(value)]),
  );
const target = new URL('../core/vocabulary/', import.meta.url);
const table = {
  source: `schema-dts ${version} (${license}), of the schema.org vocabulary (CC BY-SA 3.0)`,
  types: shape(types, ({ parents, members, instead }) => [parents.join(' '), members?.join(' ') ?? '', ...(instead === undefined ? [] : [instead])]),
  properties: shape(properties, ({ of, is, instead }) => [of.join(' '), is.join(' '), ...(instead === undefined ? [] : [instead])]),
};
writeFileSync(new URL('vocabulary.json', target), `${JSON.stringify(table)}\n`);
const known = { types: shape(meanings.types, String), properties: shape(meanings.properties, String) };
for (const name of Object.keys(known.types)) if (!(name in types)) delete known.types[name];
writeFileSync(new URL('meanings.json', target), `${JSON.stringify(known)}\n`);
console.log(`${Object.keys(types).length} types, ${Object.keys(properties).length} properties`);
