//! The score as the main screen: edited by keyboard, taken back, compared, printed; decisions on the visit page.

use ritorno_e2e::{House, PrintOrientation};

async fn number(house: &House, script: &str) -> i64 {
    house
        .browser
        .execute(&format!("return {script}"), vec![])
        .await
        .expect("ran")
        .as_i64()
        .expect("a number")
}

#[tokio::test(flavor = "multi_thread")]
async fn the_score_is_edited_by_keyboard_and_every_step_is_taken_back() {
    let house = House::open("score", 1280, 900).await;
    house.sign_in().await;
    house.open_patient("Vess").await;
    house.keys("gp").await;
    house.see(".chart-line").await;
    // First paint of the score, and an edit until it is judged: reported, not asserted.
    let paint = number(
        &house,
        "Math.round(performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0)",
    )
    .await;
    house.click(".chart-line[aria-label*='Low row']").await;
    house.see("#line-panel img").await;
    let day = |what: &'static str| format!("Number(document.querySelector('#{what}').value)");
    let (from, to) = (
        number(&house, &day("from_day")).await,
        number(&house, &day("to_day")).await,
    );
    house
        .browser
        .execute("document.activeElement.blur()", vec![])
        .await
        .expect("left the field");
    // Its end a week later: Shift and the arrow.
    house.keys("\u{e008}\u{e014}\u{e000}").await;
    house
        .until(&format!(
            "Number(document.querySelector('#to_day')?.value) === {}",
            to + 7
        ))
        .await;
    assert_eq!(number(&house, &day("from_day")).await, from);
    let took = number(
        &house,
        "Number(document.querySelector('#draft').dataset.took)",
    )
    .await;
    println!("score first paint {paint} ms, edit to checked plan {took} ms");
    // A rung up, then both steps taken back and brought again.
    let name = "document.querySelector('#line-panel h3').innerText";
    house.until(&format!("{name} === 'Low row'")).await;
    house.keys("+").await;
    house.until(&format!("{name} !== 'Low row'")).await;
    house.click("#undo").await;
    house.until(&format!("{name} === 'Low row'")).await;
    house.click("#undo").await;
    house
        .until(&format!(
            "Number(document.querySelector('#to_day')?.value) === {to}"
        ))
        .await;
    house.click("#redo").await;
    house
        .until(&format!(
            "Number(document.querySelector('#to_day')?.value) === {}",
            to + 7
        ))
        .await;
    // The builder anew: what was edited by hand stays, the difference is told; saved, it is a new revision.
    house.click("#build").await;
    house.see("#later").await;
    house.click("#undo").await;
    house.click("#save-program").await;
    house.says("Sign it when you agree with it").await;
    house.click("#build").await;
    house.see("#difference").await;
    house
        .until(
            "[...document.querySelectorAll('#difference li')].some(l => l.innerText.includes('Low row') && l.innerText.includes('yours'))",
        )
        .await;
    // One week, day by day.
    house
        .browser
        .execute("document.activeElement.blur()", vec![])
        .await
        .expect("left the field");
    house.keys("zz").await;
    house.says("days 63 to 69").await;
    // On paper it is two sheets.
    assert_eq!(
        number(
            &house,
            "document.querySelectorAll('.print-sheet > svg').length"
        )
        .await,
        2
    );
    let sheets = house.print(PrintOrientation::Landscape).await;
    assert_eq!(sheets.len(), 2, "{sheets:#?}");
    assert!(
        sheets[0].contains("Ilario Vess") && sheets.iter().all(|s| s.contains("wk")),
        "{sheets:#?}"
    );
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn decisions_are_accepted_on_the_visit_and_two_programs_stand_side_by_side() {
    let house = House::open("decide", 1280, 900).await;
    house.sign_in().await;
    house.open_patient("Vess").await;
    house.see(".decision[data-kind=progress_dose]").await;
    house.says("whole and quiet sessions in a row").await;
    let accepted = "[...document.querySelectorAll('.decided-today li')].filter(d => d.innerText.includes('Accepted today')).length";
    assert_eq!(number(&house, accepted).await, 0);
    house
        .click(".decision[data-kind=progress_dose] .decision-do button")
        .await;
    house.until(&format!("{accepted} === 1")).await;
    // A bad day eases, a slip stops, and the day's list says so.
    house.click("#log-slip").await;
    house.see(".decision.stop").await;
    house.keys("gp").await;
    house.see(".chart-line").await;
    house.click("#what-if-open").await;
    house.fill("#what-missed", "14").await;
    house.click("#what-run").await;
    house.see("#what-moved").await;
    house
        .until("document.querySelectorAll('.side-by-side svg[role=group]').length === 2")
        .await;
    house.says("14 wk (day 98)").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_lead_copies_tightens_and_retires_a_pathway_and_chooses_it_for_a_new_patient() {
    let house = House::open("pathways", 1280, 900).await;
    house.sign_in().await;
    // What was typed in one room of the clinic is still there after a look into another.
    house.goto("/clinic/reliability").await;
    house.fill("#cell-0-0", "120").await;
    house.click("nav.chips a[href$=pathways]").await;
    house.until("document.querySelector('#bench').offsetHeight === 0 && document.querySelector('#pathways').offsetHeight > 0").await;
    house.click("nav.chips a[href$=reliability]").await;
    house.until("document.querySelector('#bench').offsetHeight > 0 && document.querySelector('#cell-0-0').value === '120'").await;
    house.goto("/clinic/pathways").await;
    house.see("#pathways").await;
    let open = "[...document.querySelectorAll('#pathways .score-list button')].find(b => b.innerText.startsWith('Anterior labrum')).click()";
    house.browser.execute(open, vec![]).await.expect("opened");
    house.fill("#copy-title", "Anterior, our way").await;
    house.click("#copy-pathway").await;
    house.see("#save-pathway").await;
    let edit = |from: &str, to: &str| {
        format!(
            "const f=document.querySelector('#pathway-file');const set=Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype,'value').set;set.call(f,f.value.replace('{from}','{to}'));f.dispatchEvent(new Event('input',{{bubbles:true}}))"
        )
    };
    house
        .browser
        .execute(&edit("ceiling = 90.0", "ceiling = 900.0"), vec![])
        .await
        .expect("edited");
    house.see("#pathway-faults").await;
    house.says("900 is outside").await;
    house
        .browser
        .execute(&edit("ceiling = 900.0", "ceiling = 80.0"), vec![])
        .await
        .expect("edited");
    house.see("#against-base").await;
    house.says("tighter").await;
    // The same through its field: only its digits change in the file.
    house.fill("#five input[id$='-0-ceiling']", "75").await;
    house
        .until("document.querySelector('#pathway-file').value.includes('ceiling = 75.0')")
        .await;
    house
        .until("!document.querySelector('#save-pathway').disabled")
        .await;
    house.click("#save-pathway").await;
    // The key of the page that is saved offers the version after it.
    house.says("version 3").await;
    // An id is found by its name and put where the file is edited.
    let length = "document.querySelector('#pathway-file').value.length";
    let before = house.value(length).await;
    house.fill("#insert-id", "pendulum").await;
    // The first that is found is at hand, once the list is narrowed.
    house
        .until("document.querySelector('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-active [data-value^=\"pendulum 1-\"]')")
        .await;
    house.typed("\u{e007}").await;
    house
        .until(&format!("{length} > {before} && /pendulum 1-\\d+/.test(document.querySelector('#pathway-file').value)"))
        .await;
    house.goto("/").await;
    house.click("#new-patient").await;
    house.fill("#new_pathway", "our way").await;
    house
        .until("[...document.querySelectorAll('.ant-select-dropdown [data-value]')].some(o => o.innerText === 'Anterior, our way')")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_program_is_read_as_a_list_with_its_reasons_and_its_versions() {
    let house = House::open("listed", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/program")).await;
    // The picture has the width of its frame, however late the frame was drawn, and keeps it.
    let fits = "Math.abs(document.querySelector('.chart-wrap svg').clientWidth - document.querySelector('.chart-wrap').clientWidth) < 4";
    house.until(fits).await;
    house.resize(1100, 800).await;
    house.until(fits).await;
    house.resize(1280, 800).await;
    // A name that finds no room stands below the picture by its number.
    house.see("#legend li").await;
    house.segment("#program-as", "List").await;
    house
        .until("location.search === '?as=list' && document.querySelectorAll('#line-list tbody tr').length > 10")
        .await;
    house.says("runs today").await;
    house.says("Passive elevation: 108°").await;
    house.click("#line-list [data-line]").await;
    house.see("#line-panel").await;
    house.click("#versions-open").await;
    house.see("#versions").await;
    house.says("No exercise differs.").await;
    house.close().await;
}
