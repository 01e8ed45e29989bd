export { MAX_BYTES, sizeFault } from './json.ts';
export { type DocumentKind, documentJsonSchema, readDocument, readDocumentText } from './read.ts';
