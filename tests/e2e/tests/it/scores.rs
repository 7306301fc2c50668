//! A sheet by keyboard, an angle from the inclinometer, two visits side by side.

use ritorno_e2e::House;

#[tokio::test(flavor = "multi_thread")]
async fn a_sheet_is_ticked_by_keyboard_and_a_lift_is_measured() {
    let house = House::open("scores", 1280, 800).await;
    house.sign_in().await;
    house.open_patient("Vescolan").await;
    house.see("main h1").await;
    house.keys("go").await;
    house.see("#sheet[data-instrument=quickdash]").await;
    // Eleven digits, one of them left out, and Enter: two keys more than the sheet has items.
    house.keys("2222222222.").await;
    house
        .until("document.querySelectorAll('.tick-cell.out').length === 1")
        .await;
    house.keys("\u{E007}").await;
    house
        .until(
            "document.querySelector('.score-list button[aria-current=true] b').innerText === '25'",
        )
        .await;
    house
        .until("document.querySelector('#change').innerText.includes('error')")
        .await;
    // A second sheet with too few answers is refused, and what was typed is still there.
    house.keys("33........\u{E014}").await;
    house.keys("\u{E014}\u{E007}").await;
    house
        .says("the missing-item rule of this score allows no number")
        .await;
    house
        .until(
            "[...document.querySelectorAll('.tick-cell')].slice(0, 2).every(c => c.innerText === '3')",
        )
        .await;
    house.keys("gm").await;
    house.see("#method").await;
    house
        .until("document.querySelector('.dial[aria-current=true]')")
        .await;
    house
        .click(".dial[data-quantity=active-elevation-upright]")
        .await;
    house.keys("d").await;
    // The stand-in lifts a few degrees past the last measurement of 158.
    house
        .until("Math.abs(parseInt(document.querySelector('#typed').innerText) - 162) <= 3 && !document.querySelector('#typed .soft')")
        .await;
    house.keys("p").await;
    house
        .until("document.querySelectorAll('#kept li').length === 1")
        .await;
    house.keys("gr").await;
    house.click("#compare-open").await;
    house.until("document.querySelectorAll('#compare tr[data-subject=range]').length > 0 && document.querySelectorAll('#compare .choose').length === 2").await;
    house.until("document.querySelector('#compare tr[data-subject=score]').innerText.includes('QuickDASH')").await;
    house.close().await;
}
