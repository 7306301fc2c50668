//! Which ladders a phase works on: a small integer program, solved exactly.
//!
//! Maximise Σ weight(need) · covered(need) + Σ value(choice) · taken(choice), where at most one choice of a ladder is taken,
//! a need is covered when some taken choice answers it, and the number of exercises, the minutes of a session and the minutes
//! of a day stay within bounds. Weights are such that needs come before goals, goals before keeping what runs, and all of
//! these before saved minutes; equal values are told apart by the order of the choices, so that the same input always gives
//! the same answer.

use microlp::{ComparisonOp, OptimizationDirection, Problem, Variable};

/// One way to take up a ladder.
#[derive(Debug, Clone, PartialEq)]
pub struct Choice {
    /// Ladders are told apart by this number.
    pub ladder: usize,
    /// Minutes of one session.
    pub minutes: f64,
    /// Minutes of a day.
    pub day_minutes: f64,
    /// What it is worth besides the needs it answers.
    pub value: f64,
    /// The needs it answers, by their place.
    pub needs: Vec<usize>,
}

/// What is to be chosen from, and within what.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Offer {
    /// The choices.
    pub choices: Vec<Choice>,
    /// How much each need weighs.
    pub needs: Vec<f64>,
    /// Most exercises.
    pub max_lines: usize,
    /// Most minutes of a session.
    pub max_minutes: f64,
    /// Most minutes of a day, where the patient said so.
    pub max_day_minutes: Option<f64>,
}

/// What was chosen.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Chosen {
    /// Places of the taken choices, ascending.
    pub taken: Vec<usize>,
    /// The value reached.
    pub value: f64,
    /// How far it may lie below the best, as a share; 0 when proved best.
    pub gap: f64,
}

/// The order of the choices as the last word between equals.
fn tie_break(place: usize) -> f64 {
    1e-4 * place as f64
}

/// The value of a set of choices, with the last word between equals.
pub fn value_of(offer: &Offer, taken: &[usize]) -> f64 {
    let covered = |need: usize| {
        taken
            .iter()
            .any(|i| offer.choices[*i].needs.contains(&need))
    };
    let needs: f64 = offer
        .needs
        .iter()
        .enumerate()
        .filter(|(n, _)| covered(*n))
        .map(|(_, w)| w)
        .sum();
    needs
        + taken
            .iter()
            .map(|i| offer.choices[*i].value - tie_break(*i))
            .sum::<f64>()
}

/// The best choice there is, exactly, not a good one.
///
/// ```
/// use ritorno_core::plan::{Choice, Offer, choose};
///
/// let way = |ladder, minutes, needs: &[usize]| Choice {
///     ladder,
///     minutes,
///     day_minutes: minutes,
///     value: 0.0,
///     needs: needs.to_vec(),
/// };
/// let offer = Offer {
///     // One long exercise answers the heavier need; two short ones answer both others.
///     choices: vec![way(0, 9.0, &[0]), way(1, 5.0, &[1]), way(2, 5.0, &[2])],
///     needs: vec![3.0, 2.0, 2.0],
///     max_lines: 3,
///     max_minutes: 10.0,
///     max_day_minutes: None,
/// };
/// // Taking the heaviest need first would leave no minutes for the two that weigh more together.
/// assert_eq!(choose(&offer).taken, [1, 2]);
/// ```
pub fn choose(offer: &Offer) -> Chosen {
    let mut problem = Problem::new(OptimizationDirection::Maximize);
    let take: Vec<Variable> = offer
        .choices
        .iter()
        .enumerate()
        .map(|(i, c)| problem.add_binary_var(c.value - tie_break(i)))
        .collect();
    // A need never weighs negative, so a covered one never has to be forced up: only held down.
    let cover: Vec<Variable> = offer
        .needs
        .iter()
        .map(|w| problem.add_var(*w, (0.0, 1.0)))
        .collect();
    let ladders = offer
        .choices
        .iter()
        .map(|c| c.ladder + 1)
        .max()
        .unwrap_or(0);
    for ladder in 0..ladders {
        let here = take
            .iter()
            .zip(&offer.choices)
            .filter(|(_, c)| c.ladder == ladder)
            .map(|(v, _)| (*v, 1.0));
        problem.add_constraint(here.collect::<Vec<_>>(), ComparisonOp::Le, 1.0);
    }
    let weighed = |of: fn(&Choice) -> f64| {
        take.iter()
            .zip(&offer.choices)
            .map(|(v, c)| (*v, of(c)))
            .collect::<Vec<_>>()
    };
    problem.add_constraint(weighed(|_| 1.0), ComparisonOp::Le, offer.max_lines as f64);
    problem.add_constraint(weighed(|c| c.minutes), ComparisonOp::Le, offer.max_minutes);
    if let Some(most) = offer.max_day_minutes {
        problem.add_constraint(weighed(|c| c.day_minutes), ComparisonOp::Le, most);
    }
    for (need, var) in cover.iter().enumerate() {
        let mut sum = vec![(*var, 1.0)];
        sum.extend(
            take.iter()
                .zip(&offer.choices)
                .filter(|(_, c)| c.needs.contains(&need))
                .map(|(v, _)| (*v, -1.0)),
        );
        problem.add_constraint(sum, ComparisonOp::Le, 0.0);
    }
    // Taking nothing is always possible, so there is always an answer; should the solver fail on the numbers, nothing is proposed.
    let Some(solution) = problem
        .solve()
        .ok()
        .and_then(|outcome| outcome.into_solution().ok())
    else {
        return Chosen {
            gap: 1.0,
            ..Chosen::default()
        };
    };
    let taken: Vec<usize> = take
        .iter()
        .enumerate()
        .filter(|(_, v)| solution.var_value(**v) > 0.5)
        .map(|(i, _)| i)
        .collect();
    Chosen {
        value: value_of(offer, &taken),
        taken,
        gap: solution.gap().unwrap_or(0.0),
    }
}
