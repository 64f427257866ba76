export const validate = () => {};
