using SideBench.Core.Identity;

namespace SideBench.Core.Record;

/// <summary>What a line of the record can be about.</summary>
public enum SubjectKind
{
    /// <summary>One stay of a machine on the bench.</summary>
    Job,

    /// <summary>A machine, for life.</summary>
    Machine,

    /// <summary>A waste box, tank, bottle or set of pads.</summary>
    Store,

    /// <summary>A key, tool or board.</summary>
    Item,

    /// <summary>The shop itself.</summary>
    Shop,
}

/// <summary>One thing with a life of its own: its lines are numbered by themselves, and folded by themselves.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Its number among its kind; 0 for the shop.</param>
public readonly record struct Subject(SubjectKind Kind, long Id)
{
    /// <summary>The shop.</summary>
    public static readonly Subject Shop = new(SubjectKind.Shop, 0);

    /// <summary>A job.</summary>
    public static Subject Of(JobId id) => new(SubjectKind.Job, id.Value);

    /// <summary>A machine.</summary>
    public static Subject Of(MachineId id) => new(SubjectKind.Machine, id.Value);

    /// <summary>A store.</summary>
    public static Subject Of(StoreId id) => new(SubjectKind.Store, id.Value);

    /// <summary>An item.</summary>
    public static Subject Of(ItemId id) => new(SubjectKind.Item, id.Value);

    /// <summary>As it is written down, such as <c>machine:12</c>.</summary>
    public override string ToString() => $"{Kind.ToString().ToLowerInvariant()}:{Id}";
}
