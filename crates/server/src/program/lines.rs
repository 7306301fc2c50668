//! What lines must satisfy before they are kept.

use crate::problem::ApiError;
use crate::validate::Faults;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::{Change, asks_more, decide};
use ritorno_core::facts::{Facts, Line};
use ritorno_core::force::pull_of_dose;
use ritorno_core::knowledge::Knowledge;
use ritorno_core::plan::volume;
use ritorno_core::safety::{Status, check_line, running_lines};

/// The lines with the pull of their bands in newtons, by this clinic's own elastics: distance and force belong together.
pub(crate) fn with_pull(known: &Knowledge, facts: &Facts, lines: Vec<Line>) -> Vec<Line> {
    let pulled = |mut line: Line| {
        // A line as it stands keeps what was worked out when it was made.
        if let Some(exercise) = known.exercises.get(&line.exercise)
            && line.dose.elastic_level.is_some()
            && !facts.lines.contains(&line)
        {
            line.dose.force_n = pull_of_dose(known, facts, exercise, &line.dose);
        }
        line
    };
    lines.into_iter().map(pulled).collect()
}

/// Refuses a line that asks more than it did while a stop, a step back or too much is told of it.
pub(super) fn never_more(assessment: &Assessment, lines: &[Line]) -> Result<(), ApiError> {
    let (ctx, facts) = (assessment.ctx(), assessment.facts);
    let (mut faults, mut reasons) = (Faults::default(), Vec::new());
    for proposal in decide(&ctx, facts).into_iter().filter(|d| d.forbids_more()) {
        let Some(old) = facts.lines.iter().find(|l| l.id == proposal.line) else {
            continue;
        };
        let ladder = |l: &Line| ctx.known.exercises.get(&l.exercise).map(|e| &e.ladder);
        let now = |l: &&(usize, &Line)| {
            ladder(l.1) == ladder(old)
                && !facts.lines.contains(l.1)
                && (l.1.from_day..l.1.to_day).contains(&ctx.today)
        };
        let all: Vec<(usize, &Line)> = lines.iter().enumerate().collect();
        for (i, line) in all.iter().filter(now) {
            let change = Change::Exercise {
                exercise: line.exercise.clone(),
                dose: line.dose,
            };
            if asks_more(ctx.known, old, &change) {
                faults.push(&format!("lines[{i}].dose"), "never-more", &[]);
                reasons.push(proposal.rule.clone());
            }
        }
    }
    let fields = faults.into_fields();
    if fields.is_empty() {
        Ok(())
    } else {
        Err(ApiError::blocked(reasons, fields))
    }
}

/// Numbers that anything may compute with, and no more lines than a page holds.
pub(super) fn lines_in_bounds(known: &Knowledge, lines: &[Line]) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    faults.within("lines", lines.len() as f64, 0.0, 200.0);
    for (i, line) in lines.iter().take(200).enumerate() {
        faults.line(known, &format!("lines[{i}]"), line);
    }
    faults.check()
}

/// Refuses lines that take more minutes of today than there are, of a session or of the day, where that is more than before.
///
/// Both shoulders of a person share the minutes of one day.
pub(crate) fn within_budget(
    assessment: &Assessment,
    facts: &Facts,
    lines: &[Line],
) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    let of = |lines: &[Line]| {
        let with = Facts {
            lines: lines.to_vec(),
            ..facts.clone()
        };
        let runs = running_lines(&ctx, &with, ctx.today);
        let total = volume(&ctx, &runs, None);
        (total.session_minutes, total.day_minutes)
    };
    let (before, after) = (of(&facts.lines), of(lines));
    let mut faults = Faults::default();
    let more = ctx.known.threshold("minutes-tolerance");
    let mut hold = |field: &str, most: Option<f64>, before: f64, after: f64| {
        if let Some(most) = most.filter(|most| after > most + more && after > before + 0.01) {
            let args = [
                ("given", ritorno_wording::Value::Number(after.round())),
                ("max", ritorno_wording::Value::Number(most)),
            ];
            faults.push(field, "over-minutes", &args);
        }
    };
    let session = assessment.rules.phase(ctx.phase).map(|p| p.max_minutes);
    hold("session_minutes", session, before.0, after.0);
    hold(
        "day_minutes",
        facts.minutes_left(ctx.known.pace()),
        before.1,
        after.1,
    );
    faults.check()
}

/// Refuses what the safety check blocks, and cautions that nobody gave a reason for.
///
/// Lines that ended before today are history and are not judged again.
pub(crate) fn check_lines(assessment: &Assessment, lines: &[Line]) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    lines_in_bounds(ctx.known, lines)?;
    let (mut faults, mut reasons) = (Faults::default(), Vec::new());
    for (i, line) in lines.iter().enumerate() {
        let verdict = check_line(&ctx, line);
        match verdict.status {
            Status::Allowed => {}
            // What ran before a breach waits; it need not be taken out to change something else.
            Status::Blocked
                if assessment.facts.lines.contains(line)
                    && verdict
                        .findings
                        .iter()
                        .all(|f| f.status != Status::Blocked || f.reason.rule == "breach-open") => {
            }
            Status::Blocked => {
                faults.push(&format!("lines[{i}]"), "blocked", &[]);
                reasons.extend(
                    verdict
                        .findings
                        .into_iter()
                        .filter(|f| f.status == Status::Blocked)
                        .map(|f| f.reason),
                );
            }
            Status::Caution
                if line
                    .override_reason
                    .as_deref()
                    .unwrap_or("")
                    .trim()
                    .is_empty() =>
            {
                faults.push(
                    &format!("lines[{i}].override_reason"),
                    "needs-override",
                    &[],
                );
                reasons.extend(verdict.findings.into_iter().map(|f| f.reason));
            }
            Status::Caution => {}
        }
    }
    let fields = faults.into_fields();
    if fields.is_empty() {
        Ok(())
    } else {
        Err(ApiError::blocked(reasons, fields))
    }
}
