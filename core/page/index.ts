export { comparisonPage, type PageContent, type PageMark, type PagePlate, standingPage } from './content';
