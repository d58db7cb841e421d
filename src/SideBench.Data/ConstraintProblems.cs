using Npgsql;
using SideBench.Core.Outcomes;

namespace SideBench.Data;

/// <summary>What a broken constraint means to a person. By name, never by message text.</summary>
public static class ConstraintProblems
{
    /// <summary>The problem behind a refused write, or null when it is not a person's.</summary>
    public static Problem? Of(PostgresException error) =>
        error.ConstraintName switch
        {
            "machines_serial_once" => new Problem(ProblemCode.SerialTaken, "/serial"),
            "jobs_machine_once" => new Problem(ProblemCode.MachineOnBench, "/machineId"),
            "jobs_place_once" => new Problem(ProblemCode.StaleVersion, "/place"),
            "people_name_once" => new Problem(ProblemCode.NameTaken, "/name"),
            // One key for two things at once: the first was written.
            "writes_pkey" => new Problem(ProblemCode.KeyReused, "/key"),
            _ => OfState(error.SqlState),
        };

    // What no column can hold, should a rule have let it through.
    private static Problem? OfState(string state) =>
        state switch
        {
            PostgresErrorCodes.CharacterNotInRepertoire or PostgresErrorCodes.UntranslatableCharacter => new Problem(
                ProblemCode.UnkeepableText,
                ""
            ),
            PostgresErrorCodes.NumericValueOutOfRange => new Problem(
                ProblemCode.NotUnderstood,
                "",
                "A number is larger than any record can hold."
            ),
            _ => null,
        };
}
