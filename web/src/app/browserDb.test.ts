import "fake-indexeddb/auto";
import { openDB } from "idb";
import { expect, it } from "vitest";

it("brings what an older page kept along, and hands over to a newer one", async () => {
  const old = await openDB("ritorno", 1, {
    upgrade: (d) => {
      d.createObjectStore("outbox", { keyPath: "key" });
      d.createObjectStore("drafts", { keyPath: "key" });
    },
  });
  await old.put("drafts", {
    key: "me-note-1",
    text: "half a note",
    since: "2027-03-01T10:00:00Z",
  });
  await old.put("outbox", { key: "w", turn: 1 });
  old.close();
  const { draftShelf, outboxShelf, databaseDenied } =
    await import("./browserDb");
  expect(await draftShelf.all()).toEqual([
    {
      key: "me-note-1\nbefore",
      of: "me-note-1",
      window: "before",
      body: "half a note",
      since: "2027-03-01T10:00:00Z",
    },
  ]);
  expect((await outboxShelf.all()).length).toBe(1);
  expect(databaseDenied()).toBe(false);
});
