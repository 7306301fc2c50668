import Segmented from "antd/es/segmented";
import { Link } from "react-router";
import { newId, type Schemas } from "../../app/client";
import { Notice } from "../../app/Notice";
import { capital, nameOf, t } from "../../app/wording";
import type { Post } from "./post";

type Contact = Schemas["ContactView"];
const HOW = ["room", "telephone", "video"] as const;

/** In the room, by telephone, by video: one tap, and kept with the day. */
export function HowHeld({
  contact,
  today,
  post,
}: {
  contact: Contact;
  today: string;
  post: Post;
}) {
  return (
    <Segmented
      id="how-held"
      size="small"
      aria-label={t("contact-how")}
      value={contact.how}
      options={HOW.map((how) => ({ value: how, label: t(`contact-${how}`) }))}
      onChange={(how) =>
        void post(
          {
            kind: "contact",
            body: { id: newId(), on: today, how },
            says: t(`contact-${how}`),
          },
          "contact",
        )
      }
    />
  );
}

/** What cannot be found out in today's contact, and what still can be done. */
export function AtADistance({
  episode,
  contact,
}: {
  episode: string;
  contact: Contact;
}) {
  if (contact.how === "room") return null;
  const kinds = (ids: string[]) =>
    capital(ids.map((id) => nameOf("sought", id)).join(", "));
  return (
    <Notice kind="decide" id="at-a-distance">
      <b>{t(`contact-far-${contact.how}`)}</b> {t("contact-far-unknown")}
      <ul className="plainlist small above-4">
        {contact.by_eye.length > 0 && (
          <li>
            <b>{t("contact-by-eye")}:</b> {kinds(contact.by_eye)}
          </li>
        )}
        <li>
          <b>{t("contact-not")}:</b> {kinds(contact.not)}
        </li>
        <li>
          <b>{t("contact-still")}</b>{" "}
          <Link to={`/e/${episode}/home`}>{t("contact-send-again")}</Link>
        </li>
      </ul>
    </Notice>
  );
}
