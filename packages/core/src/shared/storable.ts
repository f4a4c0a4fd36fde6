/** Characters that XML 1.0 cannot hold (its production `Char`), escaped or not; PostgreSQL holds neither NUL nor half a pair of surrogates. */
const NOT_STORABLE =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g

/** A text without the characters that cannot be stored. */
export const storable = (text: string): string => text.replace(NOT_STORABLE, '')
