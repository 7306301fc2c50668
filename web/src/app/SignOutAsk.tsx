import Button from "antd/es/button";
import Modal from "antd/es/modal";
import { ProblemNote } from "./parts";
import { t } from "./wording";

/** Entries wait, or leaving was refused: what may be done about it. */
export function SignOutAsk({
  waiting,
  error,
  onStay,
  onLook,
  onLeave,
}: {
  waiting: number;
  error: unknown;
  onStay: () => void;
  onLook: () => void;
  onLeave: () => void;
}) {
  return (
    <Modal
      open
      title={t("sign-out-ask")}
      onCancel={onStay}
      footer={[
        <Button key="stay" type="primary" onClick={onStay}>
          {t("sign-out-stay")}
        </Button>,
        <Button key="look" onClick={onLook}>
          {t("outbox-title")}
        </Button>,
        <Button key="go" danger id="sign-out-anyway" onClick={onLeave}>
          {t("sign-out-anyway")}
        </Button>,
      ]}
    >
      <ProblemNote error={error} />
      <p>{t("sign-out-waiting", { count: waiting })}</p>
    </Modal>
  );
}
