export { comparisonPage, NOT_A_PROMISE, type PageContent, type PagePoint, type PagePlate, standingPage } from './content';
