export { countries, isCountry, isLanguage, isPlainNumber, isWebAddress } from './codes.ts';
export { datesIn, durationIn, type FoundDate } from './dates.ts';
export { isIsoDate, isIsoDuration, isIsoMoment, isIsoTime } from './forms.ts';
export { DAYS, hoursIn, type OpeningHours } from './hours.ts';
export { amountOf, currencyOf, isCurrency, pricesIn, sameAmount, type FoundPrice } from './money.ts';
export { pricesSaid, type PriceRole, type PriceSaid } from './price-roles.ts';
export { stockIn, type Stock } from './stock.ts';
export { telephoneOf } from './telephone.ts';
