export { MAX_BYTES, sizeFault } from './json.ts';
export { type DocumentKind, documentJsonSchema, firstKind, readDocument, readDocumentText } from './read.ts';
