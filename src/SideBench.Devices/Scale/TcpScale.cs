using System.Net.Sockets;
using System.Text;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;

namespace SideBench.Devices.Scale;

/// <summary>A scale behind a socket: it is sent <c>read</c>, and sends lines until it has come to rest.</summary>
/// <param name="host">Where.</param>
/// <param name="port">At which port.</param>
public sealed class TcpScale(string host, int port) : IScale
{
    private const int MostLines = 40;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);

    /// <inheritdoc/>
    public async Task<Outcome<Grams>> Weigh(CancellationToken cancel)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        try
        {
            using var socket = new TcpClient();
            await socket.ConnectAsync(host, port, patience.Token);
            await using var stream = socket.GetStream();
            await stream.WriteAsync("read\n"u8.ToArray(), patience.Token);
            using var lines = new StreamReader(stream, Encoding.ASCII, false, ScaleLine.Longest);
            for (var n = 0; n < MostLines; n++)
            {
                if (await lines.ReadLineAsync(patience.Token) is not { } line)
                    return n == 0 ? new Problem(ScaleProblem.Away, "") : new Problem(ScaleProblem.Moving, "", n);
                if (ScaleLine.Read(line) is not { } read)
                    return new Problem(ScaleProblem.Garbled, "", line.Length > ScaleLine.Longest ? line[..ScaleLine.Longest] : line);
                if (read.IsStable)
                    return read.Grams < 0 ? new Problem(ScaleProblem.BelowZero, "", read.Grams) : Grams.Of(Math.Round(read.Grams, 2));
            }

            return new Problem(ScaleProblem.Moving, "", MostLines);
        }
        catch (Exception e)
            when (e is SocketException or IOException || (e is OperationCanceledException && !cancel.IsCancellationRequested))
        {
            return new Problem(ScaleProblem.Away, "");
        }
    }
}
