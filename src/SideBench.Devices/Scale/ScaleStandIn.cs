using System.Net;
using System.Net.Sockets;
using System.Text;

namespace SideBench.Devices.Scale;

/// <summary>
/// A simulated scale on loopback: what is laid on it swings first, then rests. It speaks the lines of a real one, and is asked through the
/// same port.
/// </summary>
public sealed class ScaleStandIn : IDisposable
{
    private readonly TcpListener listener = new(IPAddress.Loopback, 0);
    private readonly CancellationTokenSource end = new();
    private double grams;

    /// <summary>Starts it.</summary>
    public ScaleStandIn()
    {
        listener.Start();
        _ = Serve();
    }

    /// <summary>Its port.</summary>
    public int Port => ((IPEndPoint)listener.LocalEndpoint).Port;

    /// <summary>Lays something on it.</summary>
    /// <param name="mass">Its mass, g.</param>
    public void Lay(double mass) => Volatile.Write(ref grams, mass);

    /// <inheritdoc/>
    public void Dispose()
    {
        end.Cancel();
        listener.Dispose();
        end.Dispose();
    }

    private async Task Serve()
    {
        try
        {
            while (true)
            {
                using var asked = await listener.AcceptTcpClientAsync(end.Token);
                await Answer(asked);
            }
        }
        catch (Exception e) when (e is OperationCanceledException or ObjectDisposedException or SocketException) { }
    }

    private async Task Answer(TcpClient asked)
    {
        try
        {
            await using var stream = asked.GetStream();
            using var lines = new StreamReader(stream, Encoding.ASCII);
            if (await lines.ReadLineAsync(end.Token) != "read")
                return;
            var mass = Volatile.Read(ref grams);
            foreach (var swing in new[] { 0.97, 1.01 })
                await stream.WriteAsync(Encoding.ASCII.GetBytes($"{new ScaleLine(false, mass * swing)}\n"), end.Token);
            await stream.WriteAsync(Encoding.ASCII.GetBytes($"{new ScaleLine(true, mass)}\n"), end.Token);
        }
        catch (IOException) { }
    }
}
