//! Going on: more of the same or the next rung, once enough sessions in a row were whole and quiet.

use super::case::{Case, Say};
use super::change;
use super::decision::{Alternative, Change, Move};
use crate::progress::{CriterionStatus, evaluate};
use crate::reason::Reason;
use crate::safety::{Finding, Status};

impl Case<'_> {
    /// The last sessions in a row that were whole and quiet; what was not answered breaks the row and is told.
    pub(super) fn row(&self) -> Result<usize, Reason> {
        let dose = self.dose();
        // A bad day counts for nothing here, but how it ended is asked before anything is added.
        if let Some(day) = self.diary.flare_without_morning(self.window()) {
            return Err(Reason::new("hold-no-morning-answer").with("day", day));
        }
        let mut row = 0;
        for d in self.diary.counted().filter(|d| d.day >= self.line.from_day) {
            if d.repetitions < dose.repetitions {
                break;
            }
            let Some(during) = d.pain_during else {
                return Err(Reason::new("hold-no-pain-answer").with("day", d.day));
            };
            // The morning after today's session has not come yet.
            let Some(morning) = d.next_morning else {
                if d.day >= self.day {
                    continue;
                }
                return Err(Reason::new("hold-no-morning-answer").with("day", d.day + 1));
            };
            let base = self
                .diary
                .cautious_baseline(d.day + 1, self.threshold("pain-baseline-days") as i32)
                .unwrap_or(morning);
            if during > self.pain_max(d.day)
                || morning >= base + self.threshold("morning-rise-points")
            {
                break;
            }
            if d.effort.is_some_and(|e| e > self.threshold("effort-max")) {
                break;
            }
            row += 1;
            if row >= self.needed() {
                break;
            }
        }
        Ok(row)
    }

    /// More of it, or the next rung, once enough sessions in a row were whole and quiet.
    pub(super) fn forward(&self, alternatives: &mut Vec<Alternative>) -> Say {
        let row = match self.row() {
            Ok(row) => row,
            Err(rule) => {
                return Say {
                    kind: Move::HoldUnknown,
                    rule,
                    change: Change::None,
                };
            }
        };
        let needed = self.needed();
        if row < needed {
            let rule = Reason::new("hold-not-yet")
                .with("done", row as f64)
                .with("needed", needed as f64);
            return Say {
                kind: Move::HoldTooEarly,
                rule,
                change: Change::None,
            };
        }
        let more = change::more(self.ctx.known, self.exercise, self.dose())
            .map(|dose| Change::Dose { dose });
        alternatives.extend(self.stronger_elastic());
        let passes = |change: &Change| match change {
            Change::Dose { dose } => change::against(self.ctx, self.exercise, dose, self.day),
            _ => Vec::new(),
        };
        let full = change::at_top(self.ctx.known, self.exercise, self.dose());
        let offers = change::next_rungs(self.ctx, self.exercise, self.day).into_iter();
        let asked = offers.map(|(change, against)| {
            let asks = self.step_asks(&change);
            (change, against, asks)
        });
        // The first that nothing speaks against and that asks for nothing more; else the first.
        let next = asked.min_by_key(|(_, against, asks)| (!against.is_empty(), !asks.is_empty()));
        let waits = next.is_some();
        match next {
            Some((change, against, asks)) if full && against.is_empty() && asks.is_empty() => {
                if let Some(dose) = more {
                    alternatives.push(Alternative {
                        kind: Move::ProgressDose,
                        reason: Reason::new("instead-next-rung"),
                        change: dose,
                        overridable: true,
                    });
                }
                return Say {
                    kind: Move::NextRung,
                    rule: Reason::new("next-rung").with("needed", needed as f64),
                    change,
                };
            }
            // Never harder for want of a number: what the step asks for is measured first, or taken with a reason.
            Some((change, against, asks)) if full && against.is_empty() => {
                alternatives.extend(asks.first().map(|reason| Alternative {
                    kind: Move::NextRung,
                    reason: reason.clone(),
                    change,
                    overridable: true,
                }));
            }
            Some((change, against, _)) => {
                alternatives.push(not_now(Move::NextRung, &change, &against, full))
            }
            None => {}
        }
        if let Some(change) = more {
            let against = passes(&change);
            if against.is_empty() {
                return Say {
                    kind: Move::ProgressDose,
                    rule: Reason::new("progress-dose").with("needed", needed as f64),
                    change,
                };
            }
            alternatives.push(not_now(Move::ProgressDose, &change, &against, true));
        }
        let rule = Reason::new(if waits {
            "hold-next-waits"
        } else {
            "hold-ladder-end"
        });
        Say {
            kind: Move::HoldTooEarly,
            rule,
            change: Change::None,
        }
    }

    /// With so many repetitions the stronger elastic may be taken already; later it must.
    fn stronger_elastic(&self) -> Option<Alternative> {
        let dose = change::stronger_elastic(self.ctx.known, self.exercise, self.dose())?;
        let against = change::against(self.ctx, self.exercise, &dose, self.day);
        against.is_empty().then(|| Alternative {
            kind: Move::ProgressDose,
            reason: Reason::new("instead-stronger-elastic"),
            change: Change::Dose { dose },
            overridable: true,
        })
    }

    /// What the step to another rung asks for and does not have, as reasons.
    pub(super) fn step_asks(&self, change: &Change) -> Vec<Reason> {
        let Change::Exercise { exercise: to, .. } = change else {
            return Vec::new();
        };
        let steps = self
            .ctx
            .known
            .steps
            .iter()
            .filter(|s| s.from == self.exercise.id && s.to.contains(to));
        let views = steps
            .flat_map(|s| &s.criteria)
            .map(|c| evaluate(self.ctx, self.facts, c));
        views
            .filter(|v| v.status != CriterionStatus::Met)
            .map(|v| v.asks)
            .collect()
    }

    /// While it holds, a clinician may still go on where no rule of healing is against it.
    pub(super) fn could_go_on(&self, why: &Reason) -> Option<Alternative> {
        let change = change::more(self.ctx.known, self.exercise, self.dose())
            .map(|dose| Change::Dose { dose })?;
        let Change::Dose { dose } = &change else {
            return None;
        };
        let against = change::against(self.ctx, self.exercise, dose, self.day);
        let overridable = against.iter().all(|f| f.overridable);
        Some(Alternative {
            kind: Move::ProgressDose,
            reason: why.clone(),
            change,
            overridable,
        })
    }
}

fn not_now(kind: Move, change: &Change, against: &[Finding], full: bool) -> Alternative {
    let reason = match against.first() {
        Some(finding) => finding.reason.clone(),
        None if !full => Reason::new("not-at-top"),
        None => Reason::new("instead-more"),
    };
    let overridable = against
        .iter()
        .all(|f| f.overridable && f.status != Status::Blocked);
    Alternative {
        kind,
        reason,
        change: change.clone(),
        overridable,
    }
}
