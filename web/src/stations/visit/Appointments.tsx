import Button from "antd/es/button";
import Popconfirm from "antd/es/popconfirm";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { newId, type Schemas } from "../../app/client";
import { DateInput } from "../../app/DateInput";
import { shortDate, t, weekday } from "../../app/wording";
import { DAY_TIMES, LENGTHS } from "./dayTimes";
import type { Post } from "./post";
import { useDefaults } from "../../app/useDefaults";
import { useKept } from "../../app/useKept";

type Appointment = Schemas["Appointment"];

const clockTime = (time: string) => time.slice(0, 5);

/** When, how long, how. */
function when(a: Appointment): string {
  return t("appointment-when", {
    weekday: weekday(a.day),
    date: shortDate(a.day),
    time: clockTime(a.time),
    minutes: a.minutes,
    held: t(`contact-${a.how}`).toLowerCase(),
  });
}

/** The next appointment in one line, and making one: day, time, length. */
export function Appointments({
  list,
  today,
  post,
}: {
  list: Appointment[];
  today: string;
  post: Post;
}) {
  const [making, setMaking] = useState(false);
  const cancel = (a: Appointment) =>
    void post(
      {
        kind: "withdrawal",
        body: { entry: a.id, kind: "appointment", reason: "" },
        says: `${t("appointment-cancel")}: ${when(a)}`,
      },
      `cancel-${a.id}`,
    );
  return (
    <section className="appointments" id="appointments">
      <p className="row wrap flush">
        <b>{t("appointment-next")}</b>
        {list.length === 0 && (
          <span className="soft">{t("appointment-none")}</span>
        )}
        {list.map((a) => (
          <span key={a.id} className="num" data-appointment={a.day}>
            {when(a)}{" "}
            <Popconfirm
              title={t("appointment-cancel-ask")}
              okText={t("appointment-cancel")}
              cancelText={t("appointment-stay")}
              onConfirm={() => cancel(a)}
            >
              <Button size="small" type="text" className="quiet">
                {t("appointment-cancel")}
              </Button>
            </Popconfirm>
          </span>
        ))}
        {!making && (
          <Button
            size="small"
            id="appointment-make"
            onClick={() => setMaking(true)}
          >
            {t("appointment-make")}
          </Button>
        )}
      </p>
      {making && (
        <Make today={today} post={post} onDone={() => setMaking(false)} />
      )}
    </section>
  );
}

interface Making {
  day: string;
  time: string | undefined;
  /** Nothing while the clinic's usual length holds. */
  minutes: number | undefined;
  how: Appointment["how"];
}
const NOT_MADE: Making = {
  day: "",
  time: undefined,
  minutes: undefined,
  how: "room",
};
/** Until the clinic's own length is there. */
const USUAL_MINUTES = 30;

function Make({
  today,
  post,
  onDone,
}: {
  today: string;
  post: Post;
  onDone: () => void;
}) {
  const [id] = useState(newId);
  const usual = useDefaults()?.appointment_minutes ?? USUAL_MINUTES;
  const [form, setForm] = useKept("appointment", NOT_MADE);
  const { day, time, how } = form;
  const minutes = form.minutes ?? usual;
  const set = (part: Partial<Making>) =>
    setForm((now) => ({ ...now, ...part }));
  const keep = () => {
    if (!day || !time) return;
    const body: Appointment = {
      id,
      on: today,
      day,
      time: `${time}:00`,
      minutes,
      how,
    };
    void post(
      {
        kind: "appointment",
        body,
        says: `${t("appointment-next")}: ${when(body)}`,
      },
      id,
    ).then((ok) => {
      if (!ok) return;
      setForm(NOT_MADE);
      onDone();
    });
  };
  return (
    <div className="row wrap above-6" id="appointment-form">
      <DateInput
        id="appointment-day"
        aria-label={t("appointment-day")}
        earliest={today}
        value={day}
        onChange={(next) => set({ day: next })}
      />
      <Choose
        id="appointment-time"
        aria-label={t("appointment-time")}
        placeholder={t("appointment-time")}
        value={time}
        options={DAY_TIMES.map((value) => ({ value, label: value }))}
        onChange={(next) => set({ time: next })}
      />
      <Segmented
        aria-label={t("appointment-minutes")}
        value={minutes}
        options={LENGTHS.map((value) => ({
          value,
          label: t("appointment-length", { minutes: value }),
        }))}
        onChange={(next) => set({ minutes: next })}
      />
      <Segmented
        aria-label={t("contact-how")}
        value={how}
        options={(["room", "telephone", "video"] as const).map((value) => ({
          value,
          label: t(`contact-${value}`),
        }))}
        onChange={(next) => set({ how: next })}
      />
      <Button
        type="primary"
        id="appointment-keep"
        disabled={!day || !time}
        onClick={keep}
      >
        {t("appointment-keep")}
      </Button>
      <Button onClick={onDone}>{t("cancel")}</Button>
    </div>
  );
}
