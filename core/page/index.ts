export { comparisonPage, type PageContent, type PagePoint, type PagePlate, standingPage } from './content';
