import { isOneOf } from '../../core/keyed/index.ts';
import { set } from '../../core/site/index.ts';
import { BUSINESS_TYPES, ownerType } from '../../core/structured-data/index.ts';
import { countries } from '../../core/values/index.ts';
import { Combo } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { countryName } from './choices.ts';
import { Caption, Fact, MainAddress, OwnerKind } from './Fact.tsx';

/** Everything about who is behind the site, in one form: the same at Words and at Meaning. */
export function IdentityFacts({ within = false }: { readonly within?: boolean }) {
  const facts = useWorkspace((state) => state.document.tables.facts['']) ?? {};
  const person = facts.ownerKind === 'person';
  const places = !person && ((facts.businessType ?? 'Organization') !== 'Organization' || Boolean(facts.hours));
  return (
    <div className="grid gap-x-5 gap-y-3.5 sm:grid-cols-2">
      {!within && (
        <>
          <Fact field="siteName" />
          <Fact field="alternateName" />
          <div className="sm:col-span-2">
            <MainAddress />
          </div>
        </>
      )}
      <OwnerKind />
      {person ? <Fact field="jobTitle" /> : <BusinessType />}
      <Fact field="ownerName" />
      {person ? null : <Fact field="legalName" />}
      <Fact field="email" />
      <Fact field="telephone" />
      <Fact field="street" />
      <Fact field="locality" />
      <Fact field="postalCode" />
      <Fact field="region" />
      <Country />
      <Fact field="logo" />
      {places && (
        <>
          <div className="sm:col-span-2">
            <Fact field="hours" long />
          </div>
          <Fact field="priceRange" />
        </>
      )}
      {!person && (
        <>
          <Fact field="founder" />
          <Fact field="foundingDate" />
          <Fact field="areaServed" long />
        </>
      )}
      <Fact field="identifiers" long />
      <div className="sm:col-span-2">
        <Fact field="profiles" long />
      </div>
    </div>
  );
}

/** `CafeOrCoffeeShop` as people read it. */
const spaced = (type: string): string =>
  type
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/\bOr\b/g, 'or')
    .replace(/\bAnd\b/g, 'and')
    .replace(/^(.)(.*)$/, (_, first: string, rest: string) => first + rest.toLowerCase().replace(/^ngo$/, 'NGO'));

function BusinessType() {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => ownerType(state.document));
  const known = isOneOf(BUSINESS_TYPES, value) ? BUSINESS_TYPES : [value, ...BUSINESS_TYPES];
  return (
    <div>
      <Caption field="businessType" />
      <Combo
        label="What it is"
        value={value}
        options={known.map((type) => ({ value: type, label: spaced(type) }))}
        empty="No sort by that name. “Local business” is right for any with a door."
        onChange={(next) =>
          workspace.change(set('facts', '', 'businessType', next === 'Organization' ? null : next), { label: `Behind the site is: ${spaced(next)}` })
        }
      />
    </div>
  );
}

function Country() {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.country ?? '');
  const options = countries()
    .map((code) => ({ value: code, label: countryName(code) }))
    .sort((a, b) => (a.label < b.label ? -1 : 1));
  return (
    <div>
      <Caption field="country" />
      <Combo
        label="Country"
        value={value}
        options={options}
        empty="No country by that name"
        onChange={(next) => workspace.change(set('facts', '', 'country', next), { label: `The country is ${countryName(next)}` })}
      />
    </div>
  );
}
