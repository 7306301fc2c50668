import Input from "antd/es/input";
import type { Schemas } from "../../app/client";
import { CopyKey } from "../../app/CopyKey";
import { Notice } from "../../app/Notice";
import { moment, t } from "../../app/wording";

/** A link that works once, to be handed to somebody: it is shown now and never again. */
export function LinkShown({
  link,
  person,
}: {
  link: Schemas["Link"];
  person: string;
}) {
  const address = `${window.location.origin}/join#${link.token}`;
  return (
    <Notice kind="decide" id="link-shown">
      <p className="flush">
        {t("link-shown", { person, when: moment(link.until) })}
      </p>
      <p className="row above-8 flush">
        <Input
          readOnly
          id="link-address"
          aria-label={t("link-address")}
          value={address}
          onFocus={(e) => e.target.select()}
        />
        <CopyKey text={address} />
      </p>
    </Notice>
  );
}
