package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class StandingRoomTest {

    private static final RoomTerms ROOM = new RoomTerms(RoomDoor.WITH_HOST, "- News", false);

    @Test
    void a_locked_room_opens_whenever_a_host_is_inside_and_an_unlocked_one_at_any_time() {
        assertThat(RoomDoor.WITH_HOST.meets(Knock.WAITING, () -> false, () -> true))
                .isEqualTo(GuestMeets.WAITING);
        assertThat(RoomDoor.WITH_HOST.meets(Knock.WAITING, () -> true, () -> true))
                .isEqualTo(GuestMeets.INSIDE);
        assertThat(RoomDoor.UNLOCKED.meets(Knock.WAITING, () -> false, () -> true))
                .isEqualTo(GuestMeets.INSIDE);
        assertThat(RoomDoor.ASKED.meets(Knock.WAITING, () -> true, () -> true)).isEqualTo(GuestMeets.WAITING);
    }

    /** Rules of the door: inside never exceeds the room's limit, and whoever is barred stays out. */
    @Property
    void nobody_comes_into_a_full_room_and_nobody_who_was_sent_away_comes_in(
            @ForAll RoomDoor door, @ForAll Knock knock, @ForAll boolean hostInside) {
        assertThat(door.meets(knock, () -> hostInside, () -> false)).isNotEqualTo(GuestMeets.INSIDE);
        GuestMeets meets = door.meets(knock, () -> hostInside, () -> true);
        if (knock == Knock.TURNED_AWAY || knock == Knock.BARRED || knock == Knock.ASKED_TO_WAIT) {
            assertThat(meets.name()).isEqualTo(knock.name());
        }
        if (knock == Knock.INSIDE) {
            assertThat(meets).isEqualTo(GuestMeets.INSIDE);
        }
    }

    @Test
    void what_is_set_during_a_meeting_holds_for_that_meeting_only() {
        RoomTerms wanted = new RoomTerms(RoomDoor.ASKED, "- News", true);
        RoomTerms.ThisTime once = ROOM.differences(wanted);
        assertThat(once)
                .isEqualTo(new RoomTerms.ThisTime(Optional.of(RoomDoor.ASKED), Optional.empty(), Optional.of(true)));
        assertThat(ROOM.during(once)).isEqualTo(wanted);
        assertThat(ROOM.during(RoomTerms.ThisTime.NOTHING)).isEqualTo(ROOM);
        RoomTerms laterAgenda = new RoomTerms(RoomDoor.WITH_HOST, "- Boats", false);
        assertThat(laterAgenda.during(once).agenda()).isEqualTo("- Boats");
    }

    @Test
    void a_meeting_is_over_fifteen_minutes_after_the_last_has_left() {
        assertThat(RoomTerms.over(Instant.parse("2027-03-10T15:00:00Z")))
                .isEqualTo(Instant.parse("2027-03-10T15:15:00Z"));
    }
}
