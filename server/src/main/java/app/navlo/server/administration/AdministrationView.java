package app.navlo.server.administration;

import app.navlo.server.account.SignUpMode;
import app.navlo.server.health.Health;
import app.navlo.server.store.Roll;
import java.time.Instant;
import java.util.List;

/**
 * This Navlo, for who administers it.
 *
 * @param signUp how people come to be here
 * @param mails whether mail can be sent from here
 * @param address that links in mail begin with
 * @param health whether it is well
 * @param copies of all data, which are made here and stay on the machine
 * @param people how many there are in all
 * @param found of them as were sought, by name; at most 200
 */
record AdministrationView(
        SignUpMode signUp,
        boolean mails,
        String address,
        SpaceView space,
        Health.State health,
        CopiesView copies,
        long people,
        List<PersonEntry> found) {
    /**
     * @param filesBytes of the contents of all files, each once
     * @param freeBytes that are left on the disk
     * @param quotaBytes that the files of one student may take; 0 for as much as there is
     */
    record SpaceView(long filesBytes, long freeBytes, long quotaBytes) {}

    /**
     * @param possible whether one can be made
     * @param folder where they are, on the machine that Navlo runs on
     * @param days for which daily ones are kept; 0 for none
     * @param made the latest first
     */
    record CopiesView(boolean possible, String folder, int days, List<CopyService.Copy> made) {}

    /**
     * @param seenBy who sees the work of this person
     * @param sees whose work this person sees
     */
    record PersonEntry(Roll.Enrolled person, List<TiedTo> seenBy, List<TiedTo> sees) {}

    record TiedTo(long id, String name, Instant since) {}
}
