using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>What a technician would say of a case, told as answers: which cause leads, and what is to be done about it.</summary>
public class NewComplaintsTests
{
    [Theory]
    [InlineData(
        "wrong-colours",
        "marram-quartet-a4",
        "profile-look=wrong nozzle-sheet=complete tint-where=all",
        "wrong-profile",
        "right-profile"
    )]
    [InlineData(
        "wrong-colours",
        "tolling-folio-3",
        "nozzle-sheet=tinted tint-where=neighbours cap-mixed-look=pool",
        "inks-mixed-at-cap",
        "empty-cap"
    )]
    [InlineData(
        "wrong-colours",
        "pellow-six-tank",
        "nozzle-sheet=tinted tint-where=one-other drop-on-tissue=other",
        "wrong-colour-filled",
        "right-colour"
    )]
    [InlineData(
        "wrong-colours",
        "tolling-garment-8",
        "nozzle-sheet=complete tint-where=uneven bag-look=settled",
        "ink-settled",
        "shake-ink"
    )]
    [InlineData(
        "marks-on-paper",
        "marram-grande",
        "mark-where=leading under-head-look=built-up gap-look=fits paper-feel=good",
        "underside-buildup",
        "clean-underside"
    )]
    [InlineData("marks-on-paper", "marram-duo", "mark-where=regular roller-wipe=inky", "rollers-inky", "clean-rollers")]
    [InlineData("marks-on-paper", "tolling-folio-3", "gap-look=small mark-where=leading", "gap-too-small", "set-gap")]
    [InlineData(
        "will-not-run",
        "marram-quartet-a4",
        "covers-look=shut start-watch=normal own-page=prints queue-look=held",
        "data-lost",
        "clear-queue"
    )]
    [InlineData(
        "blank-pages",
        "pellow-studio-eight",
        "ink-seen=enough own-page=prints preview-look=empty",
        "document-empty",
        "mend-document"
    )]
    [InlineData("ink-leaks", "pellow-six-tank", "plug-look=plug leak-where=store", "fill-plug-open", "shut-plug")]
    [InlineData("ink-leaks", "tolling-broadside-44", "leak-where=line weep-test=joint", "damper-leaks", "renew-damper")]
    [InlineData("bands", "tolling-folio-3", "nozzle-sheet=complete band-where=steps align-print=off", "head-misaligned", "align-head")]
    [InlineData(
        "bands",
        "marram-grande",
        "nozzle-sheet=complete band-where=regular feed-print=off settings-seen=fit",
        "feed-step-off",
        "adjust-feed"
    )]
    [InlineData("bands", "pellow-studio-eight", "nozzle-sheet=crooked band-where=one-ink", "nozzles-wet", "clean-cap")]
    [InlineData(
        "says-empty",
        "tolling-garment-8",
        "replace-routine-ask=no ink-seen=enough level-against-panel=panel-less",
        "auto-chip-held",
        "replace-routine"
    )]
    [InlineData("says-empty", "tolling-broadside-44", "panel-index=other", "slot-misread", "serve-right-slot")]
    [InlineData("says-empty", "tolling-folio-3", "notice-words=expired ink-seen=enough", "expired-notice", "acknowledge")]
    [InlineData("will-not-run", "marram-duo", "covers-look=open", "cover-open", "shut-covers")]
    [InlineData(
        "will-not-run",
        "pellow-studio-eight",
        "covers-look=shut start-watch=moves-stops carriage-by-hand=free strip-look=smeared",
        "strip-smeared",
        "wipe-strip"
    )]
    [InlineData("will-not-run", "marram-quartet-a4", "covers-look=bridged", "lid-switch-bridged", "unbridge")]
    [InlineData(
        "not-recognised",
        "tolling-folio-3",
        "panel-code=absent just-changed=just chip-straight-look=crooked",
        "chip-misplaced",
        "straighten-chip"
    )]
    [InlineData(
        "not-recognised",
        "tolling-broadside-44",
        "one-slot-or-all=all firmware-ask=yes firmware-version=newer",
        "board-blocked",
        "firmware-back"
    )]
    [InlineData(
        "fades-under-load",
        "tolling-broadside-44",
        "ink-seen=enough nozzle-sheet=complete pressure-listen=runs-on one-or-all=all",
        "pressure-lost",
        "restore-pressure"
    )]
    public void Story_LeadsToItsCause_AndToWhatEndsIt(string complaint, string model, string answers, string cause, string repair)
    {
        var ink = cause is "wrong-colour-filled" or "chip-misplaced" or "board-blocked" ? "refilled" : "maker";
        var entries = TestShop.Opened(TestShop.Intake(model, complaint, ink));
        foreach (var answer in answers.Split(' '))
            TestShop.Answer(entries, answer.Split('=')[0], answer.Split('=')[1]);
        TestShop.ClearTray(entries);
        var job = TestShop.Case(entries);
        Assert.Equal(cause, Lead(job));
        Assert.Contains(repair, job.Advice.Others.Append(job.Advice.Chosen!).Select(c => c.Step.Id));
    }

    private static string Lead(JobCase job) => job.Book.Causes[Array.IndexOf(job.Odds.Still, job.Odds.Still.Max())].Id;
}
