// The package ships without types; every project that reads this file must find ours.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./snowball.d.ts" />
import snowball from 'snowball-stemmers';
import { regularForm } from './irregular.ts';
import type { Language } from './languages.ts';
import { wordsOf } from './words.ts';

const stemmers = new Map<string, { stem(word: string): string }>();
const caches = new Map<string, Map<string, string>>();
/** Words remembered of one language: more than any small site has. */
const REMEMBERED = 60_000;

/** The stem under which a word's forms meet, by the Snowball stemmer of its language; the folded word itself where the language has none. */
export function stem(word: string, language: Language): string {
  const folded = fold(word);
  if (language.stemmer === undefined) return folded;
  let cache = caches.get(language.stemmer);
  if (!cache) caches.set(language.stemmer, (cache = new Map()));
  const known = cache.get(folded);
  if (known !== undefined) return known;
  const stemmer = stemmers.get(language.stemmer) ?? snowball.newStemmer(language.stemmer);
  stemmers.set(language.stemmer, stemmer);
  const found = stemmer.stem(regularForm(folded, language));
  if (cache.size >= REMEMBERED) cache.clear();
  cache.set(folded, found);
  return found;
}

const PLAIN = /^[a-z0-9]+$/;

function fold(word: string): string {
  // Most words are as they are to be: this is asked for every word of a site.
  if (PLAIN.test(word)) return word;
  const low = word.normalize('NFC').toLowerCase();
  return /['’]/.test(low) ? low.replace(/’/g, "'").replace(/'s$/, '') : low;
}

/** Words too common to tell pages apart, by language. */
const COMMON: Readonly<Record<string, string>> = {
  en: 'a an and are as at be been but by can for from had has have he her his how i if in into is it its me more my no not of on or our out she so some than that the their them then there these they this those to up us was we were what when where which who will with would you your about also all any do does each just may most only other over such too very',
  de: 'aber alle als also am an auch auf aus bei bin bis bist da damit dann das dass dein dem den der des dich die dies diese dieser dieses dir doch du durch ein eine einem einen einer eines er es euch für hat habe haben hatte hier ich ihm ihn ihr ihre im in ist ja jede kann kein keine man mehr mein mich mir mit nach nicht noch nur ob oder ohne sehr sein seine sich sie sind so über um und uns unser unsere unter vom von vor war was wenn wer werden wie wir wird zu zum zur',
  fr: 'à au aux avec ce ces cette dans de des du elle elles en est et être eux il ils je la le les leur leurs lui ma mais me même mes moi mon ne nos notre nous on ou où par pas plus pour qu que qui sa sans se ses si son sont sur ta te tes toi ton tout tous tu un une vos votre vous y a ont été',
  es: 'a al algo como con cada de del desde donde el ella ellas ellos en entre era es esa ese esta este esto están está estos fue ha han hasta hay la las le les lo los más me mi mis muy no nos nosotros o para pero por porque que quien se si sin sobre son su sus también tan te tiene todo todos tu un una unas unos usted y ya yo',
  it: 'a ad al alla alle anche che chi ci come con da dal dalla dei del della delle di e è ed gli ha hanno i il in io la le lei lo loro lui ma mi mia nei nel nella noi non o per più questa questo se si sono su sua suo tra un una uno vi voi',
  nl: 'aan al als bij dat de den der deze die dit door een en er had hebben heeft het hij hun ik in is je kan maar me met mij mijn na naar niet nog nu of om onder ons ook op over te tot u uit van veel voor waar was wat we wel werd wij worden ze zich zij zijn zo',
  pt: 'a ao aos as às com como da das de do dos e é ela elas ele eles em entre era esta este eu foi há isso já lhe mais mas me meu minha muito na nas não nem no nos nós o os ou para pela pelo por qual que se sem ser seu sua são também te tem um uma você',
  sv: 'att av de den det du ej en ett för från har hon han i inte jag kan med men mig min ni nu och om oss på sin ska som till upp var vi vid är',
  da: 'af at de den der det du en er et for fra han har hun i ikke jeg kan med men mig min nu og om os på sig sin som til var vi ved',
  no: 'av at de den der det du en er et for fra han har hun i ikke jeg kan med men meg min nå og om oss på seg sin som til var vi ved',
  fi: 'ja ei että en hän he ja jo jos kun kuin mutta me minä mitä myös ne niin nyt on ole oli olla se sekä sen tai te tämä voi',
  ar: 'في من على إلى عن مع هذا هذه ذلك التي الذي أن إن لا ما هو هي هم نحن كان لك لنا أو ثم كل قد لم بعد',
  ja: 'の に は を た が で て と し れ さ ある いる も する から な こと として い や など なっ ない この ため その よう また もの という です ます まし',
  zh: '的 了 和 是 在 我 有 他 这 中 大 来 上 个 们 与 及 或 也 就 都 而',
  ru: 'а без бы в во вы где да для до его ее если есть за и из или их к как ко мы на не но о об он она они от по при с со так то у уже что это я',
};
const commonSets = new Map<string, ReadonlySet<string>>();

/** Whether a word is too common to mean anything by itself. */
export function isCommon(word: string, language: Language): boolean {
  const name = language.code === 'other' ? language.tag : language.code;
  let common = commonSets.get(name);
  if (!common) commonSets.set(name, (common = new Set((Object.hasOwn(COMMON, name) ? (COMMON[name] as string) : '').split(' '))));
  return common.has(fold(word));
}

/** The stems of a text's words that mean something, in order; all words where only common ones are there. */
export function stemsOf(text: string, language: Language): string[] {
  const words = wordsOf(text, language);
  const telling = words.filter((word) => !isCommon(word.text, language));
  return (telling.length > 0 ? telling : words).map((word) => stem(word.text, language));
}
