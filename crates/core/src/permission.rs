//! Who may do what: one table, read by the server before anything is loaded.

use serde::{Deserialize, Serialize};

/// The roles that exist from the start.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Role {
    /// Examines, builds, signs.
    Clinician,
    /// A clinician who also keeps the clinic's defaults and reads the audit trail.
    Lead,
    /// Enters logs and measurements under a clinician.
    Assistant,
    /// Reads everything, writes nothing.
    Auditor,
    /// Works on simulated patients only.
    Learner,
    /// The link on a patient's phone: their own plan and log.
    PatientLink,
}

/// All roles, for the table test and for administration.
pub const ROLES: [Role; 6] = [
    Role::Clinician,
    Role::Lead,
    Role::Assistant,
    Role::Auditor,
    Role::Learner,
    Role::PatientLink,
];

/// What can be asked of the application.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Action {
    /// Read patients, stories, programs.
    ReadRecord,
    /// Create or change a patient's story.
    EditStory,
    /// Record a limit or a release by the surgeon.
    RecordLimit,
    /// Record a measurement or an observation.
    Measure,
    /// Answer red flags and record what was done.
    AnswerFlags,
    /// Build and edit a program.
    EditProgram,
    /// Sign a program, pass or override a gate, sign a visit.
    Sign,
    /// Enter what was done at home.
    EnterLog,
    /// Print the handout and the calendar.
    TakeHome,
    /// Read the audit trail.
    ReadAudit,
    /// Set the clinic's defaults.
    KeepDefaults,
    /// Invite people, end their access, set the rules about access.
    KeepPeople,
    /// Read one's own program at home and tell what was done.
    OwnProgram,
}

/// All actions, for the table test.
pub const ACTIONS: [Action; 13] = [
    Action::ReadRecord,
    Action::EditStory,
    Action::RecordLimit,
    Action::Measure,
    Action::AnswerFlags,
    Action::EditProgram,
    Action::Sign,
    Action::EnterLog,
    Action::TakeHome,
    Action::ReadAudit,
    Action::KeepDefaults,
    Action::KeepPeople,
    Action::OwnProgram,
];

/// Whether `role` may do `action`.
///
/// ```
/// use ritorno_core::permission::{Action, Role, may};
///
/// assert!(may(Role::Clinician, Action::Sign));
/// // An assistant measures and writes down, and signs nothing.
/// assert!(may(Role::Assistant, Action::Measure));
/// assert!(!may(Role::Assistant, Action::Sign));
/// ```
///
/// Source: our choice, because only a licensed clinician signs.
pub fn may(role: Role, action: Action) -> bool {
    use Action::*;
    match role {
        Role::Lead => action != OwnProgram,
        Role::Clinician => !matches!(action, ReadAudit | KeepDefaults | KeepPeople | OwnProgram),
        Role::Assistant => matches!(action, ReadRecord | Measure | EnterLog | TakeHome),
        Role::Auditor => matches!(action, ReadRecord | ReadAudit),
        // Learners get a room of their own (simulated patients) and no records here.
        Role::Learner => false,
        Role::PatientLink => action == OwnProgram,
    }
}

/// What a lead sets about access.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AccessRules {
    /// Whether a lead comes in only with a second factor.
    pub leads_need_second_factor: bool,
    /// Whether clinicians and assistants read only whom they treat or look after, and others with a reason.
    pub own_patients_only: bool,
    /// Minutes after which a session that nobody uses asks again who is there.
    pub idle_minutes: u32,
}

/// Fewest and most minutes that a session may lie idle. Source: NIST SP 800-63B for the most (from memory), our choice for the fewest.
pub const IDLE_MINUTES: (u32, u32) = (2, 60);

impl Default for AccessRules {
    fn default() -> Self {
        AccessRules {
            leads_need_second_factor: false,
            own_patients_only: false,
            idle_minutes: 30,
        }
    }
}

impl AccessRules {
    /// Whether somebody of this role reads only whom they treat or look after. Leads and auditors answer for the whole clinic.
    pub fn keeps_to_own(self, role: Role) -> bool {
        self.own_patients_only && matches!(role, Role::Clinician | Role::Assistant)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_matrix_is_what_was_agreed() {
        // One row a role, one column an action, in the order of ROLES and ACTIONS.
        let expected = [
            "xxxxxxxxx----", // clinician
            "xxxxxxxxxxxx-", // lead
            "x--x---xx----", // assistant
            "x--------x---", // auditor
            "-------------", // learner
            "------------x", // patient link
        ];
        for (role, row) in ROLES.iter().zip(expected) {
            let got: String = ACTIONS
                .iter()
                .map(|action| if may(*role, *action) { 'x' } else { '-' })
                .collect();
            assert_eq!(got, row, "{role:?}");
        }
    }
}
