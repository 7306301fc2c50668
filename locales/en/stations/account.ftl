# One's own account, and the first way in.

account-title = Your account
account-lead = { $person }, { $what }, signs in as { $login }
must-password = Choose your own password
must-password-why = The password you came in with was made for you, so somebody else has seen it. Nothing else opens before you have your own.
must-second-factor = Take up a second factor
must-second-factor-why = This clinic asks its leads for a second factor. Nothing else opens before you have one.

password-title = Password
password-old = The password you have
password-new = New password
password-how = At least 15 characters. A few words with spaces are hard to guess and easy to remember; digits and signs are not asked for.
password-change = Change the password
password-changed = Changed. You are signed out everywhere else.

factor-title = Second factor
factor-off = Off. With it a stolen password alone opens nothing: your telephone works out six digits that are asked for as well.
factor-on = On. { $count ->
    [0] No code is left for the day the telephone is lost: turn it off and on again for new ones.
    [one] One code is left for the day the telephone is lost.
   *[other] { $count } codes are left for the day the telephone is lost.
}
factor-begin = Take it up
factor-end = Turn it off
factor-password = Your password, once more
factor-go = Go on
factor-picture = The secret as a square code for the telephone’s camera
factor-take = Read the square with an application for one-time codes on your telephone, or type these letters into it.
factor-code = The six digits it shows
factor-confirm = Turn it on
factor-codes = Keep these where the telephone is not: on paper, in a locked drawer. Each lets you in once when the telephone is lost. They are not shown again.
factor-kept = I have kept them

sessions-title = Signed in
sessions-none = nowhere at the moment
sessions-idle = A page that nobody touches for { $minutes } minutes asks again who is there; what was typed stays.
sessions-end = Sign out everywhere else
session-this = this one
session-unnamed = unnamed
session-when = since { $since }, last used { $seen }, from { $address }
session-end = Sign out there

join-title = Come in
join-welcome = Welcome, { $person }
join-first = Welcome to your clinic
join-lead = You will sign in as { $login }, { $what }. Choose a password that nobody else knows.
join-first-lead = You are the first, and the lead: you invite the others. Choose what you sign in with.
join-name = Name, as colleagues and patients read it
join-login = Sign in as
join-login-how = Small letters, digits, dots and dashes.
join-choose = Choose this password
join-until = This link works once, until { $when }.
join-done = That is kept
join-done-lead = Sign in as { $login } with the password you just chose.
