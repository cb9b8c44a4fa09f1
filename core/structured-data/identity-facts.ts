import { siteHost, siteOrigin, type SiteDocument } from '../site/index.ts';

/** What keeps the identity from being written. */
export type IdentityGap = 'site-name' | 'owner-name' | 'main-address';

/** A document as it would be with markup on and what is missing for it said: to show what pages could tell. Where nobody says who is behind a site it is called by its name. */
export function asIfReady(document: SiteDocument): SiteDocument {
  const facts = document.tables.facts[''] ?? {};
  const siteName = facts.siteName || siteHost(document);
  const said = { ...facts, siteName, ownerName: facts.ownerName || siteName, mainAddress: siteOrigin(document) };
  return { ...document, tables: { ...document.tables, facts: { '': said }, meaning: { '': { on: true } } } };
}

/** The facts that are still missing before the identity can be written. */
export function identityGaps(document: SiteDocument): IdentityGap[] {
  const facts = document.tables.facts[''] ?? {};
  const gaps: IdentityGap[] = [];
  if (!facts.siteName) gaps.push('site-name');
  if (!facts.ownerName) gaps.push('owner-name');
  if (!facts.mainAddress) gaps.push('main-address');
  return gaps;
}

/** Profile addresses from a text with one a line; what is no address is left out. */
export function profileAddresses(text: string | null | undefined): string[] {
  return (text ?? '').split(/\s+/).filter((address) => /^https?:\/\//i.test(address) && URL.canParse(address));
}

/** Sorts of business that a small site is most often of, as the vocabulary names them; others can be typed. */
export const BUSINESS_TYPES = [
  'Organization',
  'LocalBusiness',
  'Store',
  'Restaurant',
  'CafeOrCoffeeShop',
  'Bakery',
  'LodgingBusiness',
  'HairSalon',
  'BeautySalon',
  'HealthAndBeautyBusiness',
  'MedicalBusiness',
  'Dentist',
  'Physician',
  'VeterinaryCare',
  'LegalService',
  'AccountingService',
  'FinancialService',
  'RealEstateAgent',
  'HomeAndConstructionBusiness',
  'Electrician',
  'Plumber',
  'GeneralContractor',
  'AutoRepair',
  'ProfessionalService',
  'SportsActivityLocation',
  'ExerciseGym',
  'ArtGallery',
  'BookStore',
  'Florist',
  'FurnitureStore',
  'ClothingStore',
  'TravelAgency',
  'ChildCare',
  'Library',
  'Museum',
  'NGO',
  'EducationalOrganization',
  'School',
  'PerformingGroup',
  'SportsTeam',
  'Corporation',
] as const;
