import { capital, nameOf, type Reason, sentence } from "../../app/wording";

/** Why an exercise stands in the program, with what is short by its name. */
export function reasonText(reason: Reason): string {
  const measure = reason.args["measure"];
  return typeof measure === "string" && !reason.rule.startsWith("need-")
    ? `${capital(nameOf("measure", measure))}: ${sentence(reason)}`
    : sentence(reason);
}
