import Collapse from "antd/es/collapse";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";
import { grouped } from "../program/schoolGroups";

type Page = Schemas["DefaultsPage"];
type Set = Schemas["ClinicDefaults"];
type Question = Page["questions"][string][number];

/** The key of the questions that are asked whatever the pathway. */
const EVERY = "every";

/** Which schools the clinic follows: for every pathway, and for each of its own questions. */
export function FollowedSchools({
  page,
  set,
  lead,
  onChange,
}: {
  page: Page;
  set: Set;
  lead: boolean;
  onChange: (schools: NonNullable<Set["schools"]>) => void;
}) {
  const schools = set.schools ?? {};
  const choose = (of: string, question: Question, school: string) => {
    const rest = Object.fromEntries(
      Object.entries(schools[of] ?? {}).filter(([q]) => q !== question.id),
    );
    // What ships is no choice of the clinic's: a later release may change it.
    const chosen =
      school === question.holds ? rest : { ...rest, [question.id]: school };
    const others = Object.fromEntries(
      Object.entries(schools).filter(([key]) => key !== of),
    );
    onChange(
      Object.keys(chosen).length === 0 ? others : { ...others, [of]: chosen },
    );
  };
  const keys = Object.keys(page.questions).filter((k) => k !== EVERY);
  const part = (of: string) => {
    const chosen = Object.keys(schools[of] ?? {}).length;
    const questions = page.questions[of] ?? [];
    return {
      key: of,
      label: (
        <span className="folded" data-fold={of}>
          <b>
            {of === EVERY ? t("defaults-every-pathway") : nameOf("pathway", of)}
          </b>{" "}
          <span className="soft">
            {chosen === 0
              ? t("folded-schools-default", { n: questions.length })
              : t("folded-schools", { chosen, n: questions.length - chosen })}
          </span>
        </span>
      ),
      children: grouped(questions).map(([group, list]) => (
        <section key={group} className="above-14">
          <h3>{t(`school-group-${group}`)}</h3>
          <div className="followed">
            {list.map((q) => (
              <One
                key={q.id}
                id={`follow-${of}-${q.id}`}
                question={q}
                holds={schools[of]?.[q.id] ?? q.holds}
                lead={lead}
                onChoose={(school) => choose(of, q, school)}
              />
            ))}
          </div>
        </section>
      )),
    };
  };
  return (
    <section className="block above-18">
      <h2>{t("defaults-schools")}</h2>
      <p className="soft small">{t("defaults-schools-lead")}</p>
      <Collapse
        ghost
        className="rest"
        defaultActiveKey={[EVERY]}
        items={[EVERY, ...keys].map(part)}
      />
    </section>
  );
}

function One({
  id,
  question: q,
  holds,
  lead,
  onChoose,
}: {
  id: string;
  question: Question;
  holds: string;
  lead: boolean;
  onChoose: (school: string) => void;
}) {
  const school = q.schools.find((s) => s.id === holds);
  return (
    <div className="school">
      <label htmlFor={id}>{nameOf("question", q.id)}</label>
      <Choose
        id={id}
        value={holds}
        disabled={!lead}
        onChange={onChoose}
        options={q.schools.map((s) => ({
          value: s.id,
          label: `${nameOf("school", s.id)}${s.default ? ` (${t("school-default")})` : ""}`,
        }))}
      />
      <span className="soft small">{t(school?.why ?? "")}</span>
    </div>
  );
}
