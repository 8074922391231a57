package app.navlo.server.notices;

import java.time.DayOfWeek;
import java.time.LocalTime;
import org.jspecify.annotations.Nullable;

/**
 * Which words come to somebody by mail.
 *
 * @param canSend whether a mail server is set up here
 * @param to the address that they go to
 */
public record NoticeChoiceView(
        boolean canSend,
        String to,
        boolean losses,
        boolean asked,
        boolean scores,
        @Nullable DayOfWeek weekDay,
        LocalTime quietFrom,
        LocalTime quietUntil) {}
