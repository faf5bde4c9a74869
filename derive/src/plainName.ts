/** A part's name as it is matched: "Thrust washer, front" and "thrust washer front" are one part. */
export const plainName = (name: string): string => name.toLowerCase().replace(/[,;.]/g, ' ').replace(/\s+/g, ' ').trim();
