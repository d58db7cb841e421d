using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Shelf;

/// <summary>Turns what a person says of the shelf into lines.</summary>
/// <param name="items">What is on the shelf, with what was poured of it.</param>
/// <param name="numbers">House numbers.</param>
public sealed class StockKeeping(IReadOnlyList<StockItem> items, ShelfNumbers numbers)
{
    private const double MostOfIt = 100_000;
    private const decimal MostMoney = 1_000_000;

    /// <summary>Something came.</summary>
    /// <param name="came">What, as it was told; its unit is that of its kind.</param>
    public Outcome<IReadOnlyList<EntryBody>> Come(StockCame came)
    {
        var problems = new List<Problem>();
        Guard.Word(problems, came.StockKind, "/kind", [.. numbers.Kinds.Select(k => k.Id)]);
        Guard.Text(problems, came.Name, "/name", Guard.LongestName, needed: true);
        foreach (var (text, path) in new[] { (came.For, "/for"), (came.Seller, "/seller"), (came.Lot, "/lot") })
            Guard.Text(problems, text, path, Guard.LongestName, needed: false);
        if (!(came.Amount > 0 && came.Amount <= MostOfIt))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/amount", came.Amount, "more than 0", MostOfIt));
        if (came.Price is < 0 or > MostMoney)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/price", came.Price, 0, MostMoney));
        return problems.Count > 0
            ? problems
            : new List<EntryBody>
            {
                came with
                {
                    Name = came.Name.Trim(),
                    For = came.For.Trim(),
                    Unit = numbers.Kinds.First(k => k.Id == came.StockKind).Unit,
                },
            };
    }

    /// <summary>Something went. Nothing goes twice: what is spent is spent for good.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Go(StockWent went)
    {
        var problems = new List<Problem>();
        Guard.Word(problems, went.Where, "/where", StockWent.Ways);
        Guard.Text(problems, went.On, "/on", Guard.LongestName, needed: false);
        Guard.Text(problems, went.Why, "/why", Guard.LongestText, needed: false);
        if (items.FirstOrDefault(i => i.Id == went.Item) is not { } item)
            problems.Add(new Problem(ShelfProblem.UnknownItem, "/item", went.Item));
        else if (!(went.Amount > 0))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/amount", went.Amount, "more than 0", Math.Round(item.Left, 2)));
        else if (went.Amount > item.Left + 1e-6)
            problems.Add(
                new Problem(ShelfProblem.MoreThanLeft, "/amount", item.Came.Name, Math.Round(item.Left, 2), item.Came.Unit, went.Amount)
            );
        return problems.Count > 0 ? problems : new List<EntryBody> { went };
    }
}
