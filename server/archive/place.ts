/** Where an archive of a station lies among the files. */
export const archiveKey = (stationId: string, archive: string) => `${stationId}/archives/${archive}.zip`;
