//! What follows every write in its own transaction: verdicts, flags that rules raise, the lanes of all of the patient's shoulders;
//! and the change of day.

use crate::app::AppState;
use crate::problem::ApiError;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::FlagRaise;
use ritorno_core::lanes::{Lane, lane, next_change};
use ritorno_core::ranges::judge;
use ritorno_store::episode::Loaded;
use ritorno_store::{
    Actor, EpisodeId, PatientId, PgConnection, StoreError, daylist, episode, flags, measurement,
};
use std::sync::atomic::{AtomicUsize, Ordering};

/// Follows a write: brings this episode and the patient's other open ones up to date; answers with what was loaded for this one.
///
/// # Errors
/// Database failure.
pub fn refresh_lane(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<Loaded, ApiError> {
    follow_all(state, conn, id).map(|(loaded, _)| loaded)
}

/// What a stored entry answers: it is kept, and this is where the shoulder now stands. The page is read when it is looked at.
#[derive(serde::Serialize, utoipa::ToSchema)]
pub(crate) struct Acknowledged {
    /// The lane, while the episode is open.
    lane: Option<Lane>,
}

/// As [`refresh_lane`]; answers with the lane alone.
///
/// # Errors
/// Database failure.
pub(crate) fn acknowledge(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<Acknowledged, ApiError> {
    follow_all(state, conn, id).map(|(_, lane)| Acknowledged { lane })
}

fn follow_all(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<(Loaded, Option<Lane>), ApiError> {
    let followed = follow(state, conn, id, When::Written)?;
    // Shoulders of one person share the helping arm and the minutes of the day.
    for sibling in episode::open_of(conn, followed.0.patient.id)? {
        if sibling != id {
            follow(state, conn, sibling, When::Written)?;
        }
    }
    Ok(followed)
}

/// How far a quiet night looks ahead, in days.
const LOOK_AHEAD_DAYS: u32 = 14;

/// When a lane is worked out.
#[derive(Debug, Clone, Copy)]
enum When {
    /// After a write: it is looked at again with the next day.
    Written,
    /// At the change of day: it looks ahead for the day on which it will say something else.
    Quiet,
    /// At the change of day of a person with two shoulders under treatment, who share what each day asks: no looking ahead.
    TwoShoulders,
}

/// The knowledge and the application that lanes are worked out with.
fn made_with(state: &AppState) -> String {
    format!("{} {}", state.knowledge.sha256, env!("CARGO_PKG_VERSION"))
}

fn follow(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
    when: When,
) -> Result<(Loaded, Option<Lane>), ApiError> {
    // A server whose day is an older one moves no lane back.
    let own = state.today.date();
    let today = daylist::day_of(conn, id)?.map_or(own, |seen| seen.max(own));
    let mut loaded = episode::load(conn, id, today)?;
    let known = state.knowledge_of(conn, &loaded)?;
    let Some(assessment) = Assessment::new(&known, &loaded.facts) else {
        return Ok((loaded, None));
    };
    let ctx = assessment.ctx();
    let facts = &loaded.facts;
    // How a measurement is judged is kept the moment it is stored: working it out later would change with pathway and knowledge.
    let judged = facts
        .measurements
        .iter()
        .filter(|m| !facts.verdicts.iter().any(|v| v.measurement == m.id))
        .filter(|m| facts.order.contains_key(&m.id))
        .map(|m| judge(&ctx, facts, m))
        .collect::<Vec<_>>();
    for verdict in &judged {
        measurement::add_verdict(conn, verdict)?;
    }
    // What a rule raises stays raised, whatever the rule says tomorrow.
    let raised = assessment
        .derived
        .iter()
        .filter(|d| {
            !facts
                .flag_raises
                .iter()
                .any(|r| r.flag == d.flag && r.cause == d.key)
        })
        .map(|d| FlagRaise {
            flag: d.flag.to_owned(),
            cause: d.key.clone(),
            on: d.on,
            reason: d.reason.clone(),
        })
        .collect::<Vec<_>>();
    for raise in &raised {
        flags::add_raise(conn, id, raise)?;
    }
    let mut now = None;
    if loaded.closed_on.is_none() {
        let value = lane(&assessment);
        let next = match when {
            When::Quiet => next_change(&known, facts, &value, LOOK_AHEAD_DAYS),
            When::Written | When::TwoShoulders => today.succ_opt().unwrap_or(today),
        };
        let phase = assessment.rules.phase(ctx.phase);
        let phase = phase.map_or("", |p| p.id.as_str());
        daylist::save(conn, &loaded, (&value, phase), next, &made_with(state))?;
        now = Some(value);
    }
    loaded.facts.verdicts.extend(judged);
    loaded.facts.flag_raises.extend(raised);
    Ok((loaded, now))
}

/// Brings to today every lane that may say something else by now, one patient a transaction, in the order of their ids. A quiet one
/// says when that will be, so most nights touch few.
///
/// A patient whose record somebody is writing to is passed over: that write brings the lane to today itself. One that fails is
/// logged with its id and never stops the rest. Answers how many episodes it moved.
///
/// # Errors
/// When the database is away.
pub fn change_day(state: &AppState) -> Result<usize, StoreError> {
    const PAGE: i64 = 200;
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    let (mut moved, mut after) = (0, None);
    loop {
        let today = state.today.date();
        let page = daylist::out_of_date(&mut conn, today, &made_with(state), after, PAGE)?;
        after = page.last().copied();
        let next = AtomicUsize::new(0);
        let take = || page.get(next.fetch_add(1, Ordering::Relaxed)).copied();
        // Working out takes a core, storing waits for the disk: two at once keep both busy.
        moved += std::thread::scope(|threads| {
            let helper = threads.spawn(|| match state.pool.get() {
                Ok(mut conn) => bring_to_today(state, &mut conn, take),
                // Who finds no connection leaves the work to the other.
                Err(_) => Ok(0),
            });
            let own = bring_to_today(state, &mut conn, take)?;
            let helped = helper.join().unwrap_or_else(|_| {
                // The rest goes on; the day list tells how many are to come.
                tracing::error!("one of the two that change the day broke off");
                Ok(0)
            })?;
            Ok::<_, StoreError>(own + helped)
        })?;
        if page.len() < PAGE as usize {
            return Ok(moved);
        }
    }
}

/// Brings the patients that `take` hands out to today; answers how many episodes it moved.
fn bring_to_today(
    state: &AppState,
    conn: &mut PgConnection,
    take: impl Fn() -> Option<PatientId>,
) -> Result<usize, StoreError> {
    let actor = Actor {
        user: None,
        action: "change-of-day",
    };
    let mut moved = 0;
    while let Some(patient) = take() {
        let done = ritorno_store::write(conn, actor, |conn| {
            if !daylist::lock_if_free(conn, patient)? {
                return Ok(0);
            }
            let open = episode::open_of(conn, patient)?;
            let when = if open.len() > 1 {
                When::TwoShoulders
            } else {
                When::Quiet
            };
            for id in &open {
                follow(state, conn, *id, when)
                    .map_err(|error| StoreError::Other(error.to_string()))?;
            }
            Ok(open.len())
        });
        match done {
            Ok(count) => moved += count,
            Err(StoreError::Unavailable) => return Err(StoreError::Unavailable),
            Err(error) => {
                tracing::error!(%patient, %error, "the change of day failed for a patient");
            }
        }
    }
    Ok(moved)
}
