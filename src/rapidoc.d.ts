/** A custom element that shows an OpenAPI description; it comes without types of its own. */
declare module 'rapidoc';
