export { type Description, describeForm } from './describe';
export { conditionsOf, disputedForms, hidesOf, type Holder, holdersOf } from './holders';
export { type TellingCharacter, tellingCharacters } from './tellingCharacters';
export { type Place, type Presence, presenceOf } from './presence';
export { type Hit, searchGuide } from './search';
export { countsOf, narrowed, partAt, partsOf, type Wanted } from './wall';
export { usualCircumstances } from './usual';
