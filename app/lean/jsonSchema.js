const refuse = () => {
  throw new Error('JSON Schema is made by the server.');
};

export const toJSONSchema = refuse;
export const fromJSONSchema = refuse;
export const createToJSONSchemaMethod = () => refuse;
export const createStandardJSONSchemaMethod = () => refuse;
export const initializeContext = refuse;
export const process = refuse;
export const extractDefs = refuse;
export const finalize = refuse;
