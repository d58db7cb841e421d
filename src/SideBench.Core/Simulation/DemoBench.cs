using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Core.Simulation;

/// <summary>The six machines that stand on the demo bench, each in a state of its own.</summary>
internal static class DemoBench
{
    private const int ClosingHour = 16;

    private const int Seed = 4418;
    private const int Cyan = 2;
    private const int Magenta = 4;
    private const int LightMagenta = 5;
    private const int Yellow = 6;

    /// <summary>Their jobs.</summary>
    public static IReadOnlyList<DemoJob> Jobs(DemoWorld world, FaultBook book, DateTimeOffset now) =>
        [
            Resting(world, now),
            Fading(world, now),
            Drying(world, now),
            HeadOnOrder(world, now),
            QuoteSent(world, now),
            ContactsDry(world, now),
        ];

    // A promise is for an afternoon of a working day, whatever the hour the demo begins at.
    private static DateTimeOffset Afternoon(DateTimeOffset now, int days)
    {
        var day = now.AddDays(days);
        while (day.DayOfWeek is DayOfWeek.Saturday or DayOfWeek.Sunday)
            day = day.AddDays(1);
        return new DateTimeOffset(day.Date, now.Offset).AddHours(ClosingHour);
    }

    private static DemoJob Resting(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "pellow-six-tank",
            "missing-after-idle",
            "Stood since midsummer. Now stripes in several colours.",
            now.AddHours(-3),
            1,
            1,
            i => i with { Ink = "maker", IdleWeeks = 14, CleansTried = 1, Tried = "one clean at home", Promise = Afternoon(now, 1) }
        );
        // Gaps that clear, a run that sits still, gaps that wander, and a channel that starves.
        var model = world.Machines[machine].Model;
        var printer = world.PrinterWith(
            model,
            Seed,
            ("nozzles-dried", Cyan),
            ("nozzles-clogged", Magenta),
            ("line-air", Yellow),
            ("damper-empty", LightMagenta)
        );
        script
            .Tell("ink-seen", "enough")
            .Sheet(model.Sheet!, Printed(printer, "nozzle-sheet", "scattered", "run", "scattered", "fading"))
            .Tell("nozzle-sheet", "run")
            .Mend("clean-normal")
            .Sheet(model.Sheet!, Cleaned(printer))
            .Tell("sheet-after-clean", "fewer")
            .Mend("clean-normal")
            .Sheet(model.Sheet!, Cleaned(printer))
            .Tell("sheet-after-clean", "same");
        script.At = now.AddMinutes(-43);
        script.Mend("long-rest");
        return new DemoJob(machine, script.Entries);
    }

    private static NozzleTruth Cleaned(SimulatedPrinter printer)
    {
        printer.Run(printer.Model.Operation("clean-normal")!);
        return Printed(printer, "sheet-after-clean", "fewer", "same", "moved", "worse");
    }

    // What each of its faults shows, in their order.
    private static NozzleTruth Printed(SimulatedPrinter printer, string finding, params IReadOnlyList<string> outcomes)
    {
        foreach (var (ill, outcome) in printer.Ills.Zip(outcomes))
            printer.Told(ill, finding, outcome);
        return printer.Sheet()!;
    }

    private static DemoJob Fading(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "marram-quartet-a4",
            "fades-under-load",
            "The first sheet is fine, the second fades.",
            now.AddMinutes(-32),
            2,
            1,
            i =>
                i with
                {
                    Ink = "maker",
                    Moved = true,
                    WarrantyEnd = DateOnly.FromDateTime(now.AddDays(-20).UtcDateTime),
                    Limit = 120,
                    Promise = Afternoon(now, 2),
                }
        );
        script.Printer = world.PrinterWith(world.Machines[machine].Model, Seed, ("vent-blocked", 0));
        script
            .Tell("ink-seen", "enough")
            .Tell("one-or-all", "one")
            .Tell("film-and-tabs", "none")
            .Tell("nozzle-sheet", "complete")
            .Tell("draw-test", "hard");
        return new DemoJob(machine, script.Entries);
    }

    private static DemoJob Drying(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "tolling-folio-3",
            "waste-full",
            "It says the waste ink pad is full and stops.",
            now.AddHours(-9),
            3,
            2,
            i => i with { Promise = Afternoon(now, 2), Borderless = true }
        );
        script.Printer = world.PrinterWith(world.Machines[machine].Model, Seed, ("pads-full", 0));
        script.Ink(i => i.ReadChips(Counts(44, 12, 0, 63, 71, 28)));
        script.Tell("reset-history", "no").Tell("counter-reading", "limit").Tell("pads-weighed", "full");
        script.At = now.AddHours(-7);
        script.Mend("wash-pads");
        return new DemoJob(machine, script.Entries);
    }

    private static DemoJob HeadOnOrder(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "tolling-broadside-44",
            "blank-channel",
            "Grey is gone since we filled it.",
            now.AddDays(-2),
            4,
            2,
            i => i with { Ink = "refilled", Limit = 400, Promise = Afternoon(now, 5) }
        );
        script
            .Ink(i => i.ReadChips(Counts(46, 58, 39, 71, 88, 34, 52, 63, 60)))
            .Ink(i => i.Weigh([new SlotAmount(3, 287.5), new SlotAmount(6, 262)]))
            .Tell("ink-seen", "enough")
            .Tell("film-and-tabs", "none")
            .Tell("nozzle-sheet", "blank")
            .Tell("draw-test", "free")
            .Clear()
            .Tell("blank-sheet", "nothing")
            .Note("Ink proved at the port. The grey driver is dead; the customer agreed to a head by phone.")
            .Agree("past-limit", "Tide Press, by phone")
            .Reach("print-head")
            .TakeOff(14)
            .Put("folded towel under the head", "inside")
            .Lose("line-guard:guard", 1)
            .Wait("parts", "print head on order", Afternoon(now, 3));
        return new DemoJob(machine, script.Entries);
    }

    private static IReadOnlyList<SlotAmount> Counts(params double[] pct) => [.. pct.Select((p, at) => new SlotAmount(at + 1, p))];

    private static DemoJob QuoteSent(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "pellow-mono-pair",
            "missing-after-idle",
            "Pale stripes after the holidays.",
            now.AddDays(-1),
            5,
            1,
            i => i with { IdleWeeks = 6, Limit = 25 }
        );
        script
            .Tell("ink-seen", "enough")
            .Tell("nozzle-sheet", "run")
            .Tell("plate-blot", "one-missing")
            .Wait("customer", "quote sent, 46.00", Afternoon(now, 2));
        return new DemoJob(machine, script.Entries);
    }

    private static DemoJob ContactsDry(DemoWorld world, DateTimeOffset now)
    {
        var (machine, script) = Begin(
            world,
            "marram-duo",
            "not-recognised",
            "The lamp stays lit though the cartridge is new.",
            now.AddMinutes(-55),
            6,
            2,
            i => i with { Ink = "compatible", Promise = now.AddHours(5) }
        );
        script.Tell("film-and-tabs", "none").Tell("press-home", "no-change").Tell("contacts-look", "inky");
        script.At = now.AddMinutes(-18);
        script.Mend("clean-contacts");
        return new DemoJob(machine, script.Entries);
    }

    private static (int Machine, JobScript Script) Begin(
        DemoWorld world,
        string model,
        string complaint,
        string words,
        DateTimeOffset at,
        int place,
        int person,
        Func<TakenIn, TakenIn> more
    )
    {
        var machine = Enumerable.Range(0, world.Machines.Count).First(i => world.Machines[i].Model.Id == model);
        var plain = new TakenIn(
            machine + 1,
            world.Machines[machine].Customer + 1,
            model,
            complaint,
            words,
            "",
            0,
            "maker",
            0,
            false,
            "plain",
            false,
            null,
            null,
            null,
            "mains lead"
        );
        return (
            machine,
            new JobScript(world.BookFor(model, complaint), more(plain), place, DemoWorld.Person(person), at)
            {
                Graph = world.GraphOf(model),
                Numbers = world.Numbers,
                Machine = world.StandOf(machine),
            }
        );
    }
}
