//! PostgreSQL stopped in the middle of use: told plainly, nothing lost, back without a restart.

use ritorno_e2e::{House, OwnCluster};

#[tokio::test(flavor = "multi_thread")]
async fn nothing_is_lost_while_the_database_is_away() {
    let cluster = OwnCluster::start("outage");
    let house = House::open_on(&cluster.door(), "outage", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.see("#gate").await;
    house.keys("gm").await;
    house.see(".dial.on").await;
    cluster.stop();

    // Two measurements are typed while the database is away: they wait, in order.
    house.keys("109s").await;
    house
        .says("1 entry waits to be sent. Nothing is lost.")
        .await;
    house.keys("25s").await;
    house.says("2 entries wait to be sent").await;
    // They survive the page being closed and opened again, and the page says why it is empty.
    house.goto(&format!("/e/{episode}/ranges")).await;
    house.says("2 entries wait to be sent").await;

    cluster.start_again();
    house.until("!document.querySelector('#queue')").await;
    house.see(".dial.on").await;
    house
        .until("document.querySelector('.dial[data-quantity=\"passive-elevation\"] svg').getAttribute('aria-label').endsWith('109')")
        .await;
    house.until("document.querySelector('.dial[data-quantity=\"passive-er-side\"] svg').getAttribute('aria-label').endsWith('25')").await;
    house.close().await;
    cluster.stop();
}
