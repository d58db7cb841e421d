namespace SideBench.Core.Simulation;

/// <summary>Capital letters and digits of five by seven dots, for what a simulated sheet says beside its blocks.</summary>
public static class DotLetters
{
    /// <summary>Dots across.</summary>
    public const int Width = 5;

    /// <summary>Dots down.</summary>
    public const int Height = 7;

    private const string Letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-";

    // Seven rows of five bits to a letter, two hexadecimal digits a row.
    private const string Rows =
        "0E11111F111111"
        + "1E11111E11111E"
        + "0E11101010110E"
        + "1E11111111111E"
        + "1F10101E10101F"
        + "1F10101E101010"
        + "0E11101711110F"
        + "1111111F111111"
        + "0E04040404040E"
        + "0702020202120C"
        + "11121418141211"
        + "1010101010101F"
        + "111B1515111111"
        + "11191513111111"
        + "0E11111111110E"
        + "1E11111E101010"
        + "0E11111115120D"
        + "1E11111E141211"
        + "0F10100E01011E"
        + "1F040404040404"
        + "1111111111110E"
        + "11111111110A04"
        + "1111111515150A"
        + "11110A040A1111"
        + "11110A04040404"
        + "1F01020408101F"
        + "0E11131519110E"
        + "040C040404040E"
        + "0E11010204081F"
        + "1F02040201110E"
        + "02060A121F0202"
        + "1F101E0101110E"
        + "0608101E11110E"
        + "1F010204080808"
        + "0E11110E11110E"
        + "0E11110F01020C"
        + "0000001F000000";

    /// <summary>The dots of a letter; none for what has no drawing.</summary>
    public static IEnumerable<(int Column, int Row)> Of(char letter)
    {
        var at = Letters.IndexOf(letter);
        if (at < 0)
            yield break;
        for (var row = 0; row < Height; row++)
        {
            var bits = Convert.ToInt32(Rows.Substring((at * Height * 2) + (row * 2), 2), 16);
            for (var column = 0; column < Width; column++)
            {
                if ((bits >> (Width - 1 - column) & 1) == 1)
                    yield return (column, row);
            }
        }
    }
}
