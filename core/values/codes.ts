/** ISO 3166-1: two letters, then the three letters of the same country. */
const COUNTRIES =
  'AF AX AL DZ AS AD AO AI AQ AG AR AM AW AU AT AZ BS BH BD BB BY BE BZ BJ BM BT BO BQ BA BW BV BR IO BN BG BF BI CV KH CM CA KY CF TD CL CN CX CC CO KM CG CD CK CR CI HR CU CW CY CZ DK DJ DM DO EC EG SV GQ ER EE SZ ET FK FO FJ FI FR GF PF TF GA GM GE DE GH GI GR GL GD GP GU GT GG GN GW GY HT HM VA HN HK HU IS IN ID IR IQ IE IM IL IT JM JP JE JO KZ KE KI KP KR KW KG LA LV LB LS LR LY LI LT LU MO MG MW MY MV ML MT MH MQ MR MU YT MX FM MD MC MN ME MS MA MZ MM NA NR NP NL NC NZ NI NE NG NU NF MK MP NO OM PK PW PS PA PG PY PE PH PN PL PT PR QA RE RO RU RW BL SH KN LC MF PM VC WS SM ST SA SN RS SC SL SG SX SK SI SB SO ZA GS SS ES LK SD SR SJ SE CH SY TW TJ TZ TH TL TG TK TO TT TN TR TM TC TV UG UA AE GB US UM UY UZ VU VE VN VG VI WF EH YE ZM ZW'.split(
    ' ',
  );
const COUNTRY_SET: ReadonlySet<string> = new Set(COUNTRIES);

/** The countries of ISO 3166-1, two letters each. */
export const countries = (): readonly string[] => COUNTRIES;
export const isCountry = (code: string): boolean => COUNTRY_SET.has(code.toUpperCase()) && code.length === 2;

/** Whether a text is a language tag of BCP 47. */
export function isLanguage(tag: string): boolean {
  try {
    return /^[a-z]{2,3}(-|$)/i.test(tag) && Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

/** Whether a text is a whole address on the web. */
export const isWebAddress = (text: string): boolean => /^https?:\/\//i.test(text) && URL.canParse(text);

/** Whether a text is a number as markup has it: digits and a dot. */
export const isPlainNumber = (text: string): boolean => /^[+-]?(\d+(\.\d+)?|\.\d+)([eE][+-]?\d+)?$/.test(text.trim());
