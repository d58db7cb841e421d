using Npgsql;
using SideBench.Core.Identity;

namespace SideBench.Data.Machines;

/// <summary>A machine with its customer, as lists show it.</summary>
public sealed record MachineRow(
    MachineId Id,
    string ModelId,
    string Serial,
    CustomerId Customer,
    string CustomerName,
    string CustomerContact
);

/// <summary>A machine of whose waste something was told.</summary>
/// <param name="Id">Its number.</param>
/// <param name="ModelId">Its model.</param>
/// <param name="Serial">Its serial number.</param>
/// <param name="Customer">Its customer's name.</param>
/// <param name="Version">Its version: with another one there is more to know of it.</param>
public sealed record ToldMachine(MachineId Id, string ModelId, string Serial, string Customer, int Version);

/// <summary>A customer.</summary>
public sealed record CustomerRow(CustomerId Id, string Name, string Contact);

/// <summary>Machines and customers on record.</summary>
public sealed class MachineStore(NpgsqlDataSource database)
{
    private const string OneSql = """
        SELECT m.machine_id, m.model_id, m.serial, c.customer_id, c.name, c.contact
        FROM machines m
        JOIN customers c ON c.customer_id = m.customer_id
        WHERE m.machine_id = $1
        """;

    private const string BySerialSql = """
        SELECT m.machine_id, m.model_id, m.serial, c.customer_id, c.name, c.contact
        FROM machines m
        JOIN customers c ON c.customer_id = m.customer_id
        WHERE upper(m.serial) = upper($1)
        """;

    private const string CustomerSql = """
        SELECT customer_id, name, contact
        FROM customers
        WHERE customer_id = $1
        """;

    private const string CustomersSql = """
        SELECT customer_id, name, contact
        FROM customers
        WHERE name ILIKE $1
        ORDER BY name COLLATE "und-x-icu"
        LIMIT 8
        """;

    internal const string LastToldSql = """
        SELECT m.machine_id, m.model_id, m.serial, c.name, s.version
        FROM (
            SELECT split_part(subject, ':', 2)::bigint AS machine_id, last_entry
            FROM subjects
            WHERE sort = 'counter'
            ORDER BY last_entry DESC
            LIMIT $1
        ) told
        JOIN machines m ON m.machine_id = told.machine_id
        JOIN customers c ON c.customer_id = m.customer_id
        JOIN subjects s ON s.subject = 'machine:' || m.machine_id
        ORDER BY told.last_entry DESC
        """;

    private const string AddCustomerSql = """
        INSERT INTO customers (name, contact)
        VALUES ($1, $2)
        RETURNING customer_id
        """;

    private const string AddMachineSql = """
        WITH added AS (
            INSERT INTO machines (model_id, serial, customer_id)
            VALUES ($1, $2, $3)
            RETURNING machine_id
        ), begun AS (
            INSERT INTO subjects (subject, version)
            SELECT 'machine:' || machine_id, 0
            FROM added
        )
        SELECT machine_id
        FROM added
        """;

    /// <summary>Machines of whose waste something was told last, the latest first.</summary>
    /// <param name="most">So many at most.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ToldMachine>> LastTold(int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LastToldSql);
        command.Parameters.With(most);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var told = new List<ToldMachine>();
        while (await rows.ReadAsync(cancel))
            told.Add(new(new MachineId(rows.GetInt64(0)), rows.GetString(1), rows.GetString(2), rows.GetString(3), rows.GetInt32(4)));
        return told;
    }

    /// <summary>A machine, or null.</summary>
    public async Task<MachineRow?> Find(MachineId machine, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OneSql);
        command.Parameters.With(machine.Value);
        return await ReadMachine(command, cancel);
    }

    /// <summary>The machine with that serial, whatever its case, or null.</summary>
    public async Task<MachineRow?> FindBySerial(string serial, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(BySerialSql);
        command.Parameters.With(serial);
        return await ReadMachine(command, cancel);
    }

    /// <summary>A customer, or null.</summary>
    public async Task<CustomerRow?> FindCustomer(CustomerId customer, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(CustomerSql);
        command.Parameters.With(customer.Value);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel) ? ReadCustomer(rows) : null;
    }

    /// <summary>Customers whose name begins so.</summary>
    public async Task<IReadOnlyList<CustomerRow>> Customers(string start, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(CustomersSql);
        command.Parameters.With("%" + start.Replace(@"\", @"\\").Replace("%", @"\%").Replace("_", @"\_") + "%");
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var customers = new List<CustomerRow>();
        while (await rows.ReadAsync(cancel))
            customers.Add(ReadCustomer(rows));
        return customers;
    }

    /// <summary>Puts a customer on record.</summary>
    public static async Task<CustomerId> AddCustomer(Unit unit, string name, string contact, CancellationToken cancel)
    {
        await using var command = unit.Command(AddCustomerSql);
        command.Parameters.With(name).With(contact);
        return new CustomerId((long)(await command.ExecuteScalarAsync(cancel))!);
    }

    /// <summary>Puts a machine on record.</summary>
    public static async Task<MachineId> AddMachine(Unit unit, string modelId, string serial, CustomerId customer, CancellationToken cancel)
    {
        await using var command = unit.Command(AddMachineSql);
        command.Parameters.With(modelId).With(serial).With(customer.Value);
        return new MachineId((long)(await command.ExecuteScalarAsync(cancel))!);
    }

    private static async Task<MachineRow?> ReadMachine(NpgsqlCommand command, CancellationToken cancel)
    {
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await rows.ReadAsync(cancel)
            ? new MachineRow(
                new MachineId(rows.GetInt64(0)),
                rows.GetString(1),
                rows.GetString(2),
                new CustomerId(rows.GetInt64(3)),
                rows.GetString(4),
                rows.GetString(5)
            )
            : null;
    }

    private static CustomerRow ReadCustomer(NpgsqlDataReader row) =>
        new(new CustomerId(row.GetInt64(0)), row.GetString(1), row.GetString(2));
}
