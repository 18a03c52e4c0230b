/**
 * A language that nobody speaks: every text under a key longer by two fifths, and every letter with an accent. Under it what is
 * still plain on a screen was never given a key, and what does not fit was measured by English.
 */
import ts from 'typescript';
import type { Plugin } from 'vite';

const LONGER = 0.4;
/** Stands for a word more; too short a text stays as long as it is. */
const FILLER = 'ø';
const SHORTEST = 4;

const PLAIN = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const ACCENTED = [...'áƀćđéƒğĥíĵķĺɱńóƥɋŕśţúṽŵẋýžÁɃĆĐÉƑĞĤÍĴĶĹṀŃÓƤɊŔŚŢÚṼŴẊÝŽ'];

/** What stands in braces is filled in, and stays. */
const PARTS = /\{\w+\}|[^{]+|\{/g;

export function pseudo(text: string): string {
  if (!/\p{L}/u.test(text)) return text;
  const accented = text.replaceAll(PARTS, (part) =>
    part.length > 1 && part.startsWith('{')
      ? part
      : part.replaceAll(/[a-zA-Z]/g, (letter) => ACCENTED[PLAIN.indexOf(letter)] ?? letter),
  );
  const letters = text.replaceAll(/[^\p{L}]/gu, '').length;
  if (letters < SHORTEST) return accented;
  const [, body = '', end = ''] = /^(.*?)((?:\{\w+\}|[^\p{L}\p{N}{}])*)$/su.exec(accented) ?? [];
  return `${body} ${FILLER.repeat(Math.max(1, Math.round(letters * LONGER) - 1))}${end}`;
}

/** Calls whose texts are looked for or say how numbers are written; nobody reads them. */
const CODES =
  /^(?:hasOwn|replace|replaceAll|split|startsWith|endsWith|includes|indexOf|get|has|padStart|select|figure|NumberFormat|DateTimeFormat|PluralRules)$/;

/** Judgements and ways on that stand beside their words, and what is typed at a machine as it stands. */
const OF_CODES = /^(?:verdict|next|command)$/;

function isRead(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent)) return false;
  if (ts.isLiteralTypeNode(parent) || ts.isCaseClause(parent)) return false;
  if (ts.isElementAccessExpression(parent)) return parent.argumentExpression !== node;
  if (ts.isBinaryExpression(parent))
    return ![
      ts.SyntaxKind.EqualsEqualsEqualsToken,
      ts.SyntaxKind.ExclamationEqualsEqualsToken,
      ts.SyntaxKind.InKeyword,
    ].includes(parent.operatorToken.kind);
  if (ts.isPropertyAssignment(parent) && OF_CODES.test(parent.name.getText())) return false;
  // A name of a property.
  if ('name' in parent && parent.name === node) return false;
  if (ts.isCallExpression(parent) || ts.isNewExpression(parent)) {
    const { expression } = parent;
    const name = ts.isPropertyAccessExpression(expression) ? expression.name : expression;
    return !CODES.test(name.getText());
  }
  return true;
}

/** Options of the platform’s formats. */
const isOption = (node: ts.Node): boolean =>
  ts.findAncestor(node, (each) => ts.isNewExpression(each)) !== undefined;

function inPseudo(code: string, id: string): string {
  const file = ts.createSourceFile(id, code, ts.ScriptTarget.Latest, true);
  const found: { readonly from: number; readonly to: number; readonly text: string }[] = [];
  const written = (text: string) => text.replaceAll('\\', '\\\\').replaceAll('`', '\\`');
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || isOption(node)) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (isRead(node))
        found.push({
          from: node.getStart(file),
          to: node.end,
          text: `\`${written(pseudo(node.text)).replaceAll('${', '\\${')}\``,
        });
      return;
    }
    if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) {
      const begin = ts.isTemplateHead(node) ? '`' : '}';
      const end = ts.isTemplateTail(node) ? '`' : '${';
      found.push({
        from: node.getStart(file),
        to: node.end,
        text: begin + written(pseudo(node.text)) + end,
      });
      return;
    }
    node.forEachChild(visit);
  };
  visit(file);
  return found.reduceRight(
    (soFar, { from, to, text }) => soFar.slice(0, from) + text + soFar.slice(to),
    code,
  );
}

export const pseudoLocale = (): Plugin => ({
  name: 'pseudo-locale',
  enforce: 'pre',
  transform: (code, id) => (/\/src\/lib\/words\/en\//.test(id) ? inPseudo(code, id) : undefined),
});
