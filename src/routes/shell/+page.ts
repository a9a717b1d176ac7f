/** The document that any page is opened with where the server cannot be asked. It is made without data, and opens what stands in the address. */
export const ssr = false;
