export { countries, isCountry, isLanguage, isPlainNumber, isWebAddress } from './codes.ts';
export { datesIn, durationIn, type FoundDate } from './dates.ts';
export { isIsoDate, isIsoDuration, isIsoMoment, isIsoTime } from './forms.ts';
export { DAYS, hoursIn, type OpeningHours } from './hours.ts';
export { amountOf, currencyOf, isCurrency, pricesIn, sameAmount, type FoundPrice } from './money.ts';
export { telephoneOf } from './telephone.ts';
