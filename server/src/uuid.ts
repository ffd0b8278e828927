const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Whether a text is a UUID, in lower case. */
export const isUuid = (text: string): boolean => uuid.test(text);
