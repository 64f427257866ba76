export const isNativeTabTrigger = () => false;
export const convertTabPropsToOptions = () => ({});
