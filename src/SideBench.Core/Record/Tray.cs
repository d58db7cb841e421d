namespace SideBench.Core.Record;

/// <summary>What lies on the tray, as lines put it there and take it off.</summary>
public static class Tray
{
    /// <summary>The tray after one line.</summary>
    /// <param name="tray">As it was.</param>
    /// <param name="effect">What the line does.</param>
    /// <param name="doubt">Told what cannot be.</param>
    public static IReadOnlyList<TrayItem> After(IReadOnlyList<TrayItem> tray, Effect effect, Action<string> doubt)
    {
        foreach (var take in effect.Takes)
            tray = Without(tray, take, doubt);
        foreach (var put in effect.Puts)
            tray = With(tray, put);
        return tray;
    }

    private static IReadOnlyList<TrayItem> With(IReadOnlyList<TrayItem> tray, TrayItem put) =>
        put.Removal is { } removal && tray.FirstOrDefault(i => i.Removal == removal) is { } there
            ? [.. tray.Select(i => i == there ? i with { Count = i.Count + put.Count } : i)]
            : [.. tray, put];

    private static IReadOnlyList<TrayItem> Without(IReadOnlyList<TrayItem> tray, TrayTake take, Action<string> doubt)
    {
        if (tray.FirstOrDefault(i => i.Id == take.Item) is not { } item)
            return tray;
        if (take.Count is not { } count || count == item.Count)
            return [.. tray.Where(i => i.Id != take.Item)];
        if (count > item.Count)
        {
            doubt($"{count} of “{item.Label}” go back, and {item.Count} lie on the tray");
            return [.. tray.Where(i => i.Id != take.Item)];
        }

        return [.. tray.Select(i => i.Id == take.Item ? i with { Count = i.Count - count } : i)];
    }
}
