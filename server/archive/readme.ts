/** What whoever unpacks an archive reads first. */
export const README = {
  name: 'README.txt',
  text: `An archive of one Plesion station: everything that was in it at one moment.

station.json      where it comes from, and how many lines each file has, with the SHA-256 of each
guides.jsonl      guides; guide_versions.jsonl every version of them, with its content;
                  guide_sharing.jsonl which are withdrawn, and why
keys.jsonl        keys; key_versions.jsonl every version of them, with its content
individuals.jsonl animals and plants met several times
specimens.jsonl   specimens: situation, readings, names with their history, what they came to
media.jsonl       which photos belong to which specimen
lots.jsonl        lots; lot_specimens.jsonl which specimens are in them
measurements.jsonl what was measured on photos: points, scale, and what they came to
sites.jsonl       places of fieldwork; visits.jsonl what was done there, captures.jsonl each animal in the hand,
                  strings.jsonl rings by their numbers, counts.jsonl counts, sheets.jsonl what is asked of a catch,
                  pens.jsonl what pens there are in the keeper's book
                  pairings.jsonl who was put together in the keeper's book, and their clutches
drafts.jsonl      guides that are being written; draft_edits.jsonl what was changed on them, in its order;
                  draft_reviews.jsonl what others said of them
photos.jsonl      photos, by the SHA-256 of the file as it was sent
photos/<hash>/    original as it was sent (it may tell where it was taken), whole.jpg and thumb.jpg as they are shown
attachments.jsonl other files that show how something turned out; attachments/<hash> each as it was sent
changes.jsonl     every write in its order: what, when, by whom;
                  deeds.jsonl what else was done: taken back, decided, resolved, who came and went

Each line of a .jsonl file is one JSON object. Times are ISO 8601. Accounts and
passwords are not in it. It is read into a new station of a Plesion of the same
version or a newer one: Account, "Import an archive".
`,
};
