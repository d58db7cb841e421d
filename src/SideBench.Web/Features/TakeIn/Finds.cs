using SideBench.Core.Identity;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Data.Search;

namespace SideBench.Web.Features.TakeIn;

/// <summary>Makes jobs, machines and customers findable.</summary>
public static class Finds
{
    /// <summary>What a take-in makes findable.</summary>
    public sealed record Thing(
        JobId Job,
        int Tag,
        MachineId Machine,
        string Serial,
        string MachineName,
        CustomerRow Customer,
        string Words
    );

    /// <summary>Puts the job, its machine and its customer into the search.</summary>
    public static void Put(Appending to, Thing thing)
    {
        var name = thing.Customer.Name;
        FindStore.Put(
            to,
            new Find("job", thing.Job.Value, $"{thing.Tag} {thing.MachineName}", $"{name} · {Short(thing.Words)}"),
            $"{thing.Tag} {thing.MachineName} {name} {thing.Serial} {Short(thing.Words)}",
            0
        );
        FindStore.Put(
            to,
            new Find("machine", thing.Machine.Value, $"{thing.MachineName} {thing.Serial}", name),
            $"{thing.Serial} {thing.MachineName} {name}",
            1
        );
        FindStore.Put(
            to,
            new Find("customer", thing.Customer.Id.Value, name, thing.Customer.Contact),
            $"{name} {thing.Customer.Contact}",
            2
        );
    }

    private static string Short(string words) => words.Length <= 90 ? words : words[..90];
}
