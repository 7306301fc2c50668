import Modal from "antd/es/modal";
import Switch from "antd/es/switch";
import { switchKeys, useHints, useKeysOn, usePlaces } from "./keys";
import { attr, t } from "./wording";

/** All keys of the present screen, and the switch that turns them off. */
export function KeyHelp({ onClose }: { onClose: () => void }) {
  const on = useKeysOn();
  const hints = useHints();
  const places = usePlaces();
  return (
    <Modal
      open
      title={t("keys-title")}
      footer={null}
      onCancel={onClose}
      width={720}
    >
      <p className="row wrap">
        <Switch
          id="keys-switch"
          checked={on}
          onChange={switchKeys}
          aria-label={t("keys-switch")}
        />
        <label htmlFor="keys-switch">{t("keys-switch")}</label>
        <span className="soft small">{t("keys-switch-why")}</span>
      </p>
      <h3>{t("keys-here")}</h3>
      {hints.length === 0 ? (
        <p className="soft">{t("keys-none")}</p>
      ) : (
        <dl className="key-list" id="keys">
          {hints.map((k) => (
            <Key key={k} symbol={attr(`key-${k}`, "key")} says={`key-${k}`} />
          ))}
        </dl>
      )}
      <h3 className="above-14">{t("keys-everywhere")}</h3>
      <dl className="key-list">
        <Key symbol="/" says="key-search" />
        <Key symbol="?" says="key-help" />
        {places.map((p) => (
          <Key key={p.letter} symbol={`g ${p.letter}`} says={p.name} />
        ))}
      </dl>
    </Modal>
  );
}

function Key({ symbol, says }: { symbol: string; says: string }) {
  return (
    <div>
      <dt>
        <kbd>{symbol}</kbd>
      </dt>
      <dd>{t(says)}</dd>
    </div>
  );
}
