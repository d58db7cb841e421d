using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A customer came on record.</summary>
public sealed record CustomerRegistered(long CustomerId, string Name, string Contact) : EntryBody
{
    public static readonly EntryKind Form = new(
        "customer-registered",
        from => new CustomerRegistered(from.Whole("customerId"), from.Text("name"), from.Text("contact"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Customer on record: {Name}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Whole("customerId", CustomerId);
        to.Text("name", Name);
        to.Text("contact", Contact);
    }
}
