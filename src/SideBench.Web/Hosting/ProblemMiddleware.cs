using System.Net.Sockets;
using Npgsql;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Web.Problems;

namespace SideBench.Web.Hosting;

/// <summary>Turns what the database and the framework refuse into problems a person can read.</summary>
public sealed class ProblemMiddleware(RequestDelegate next, ILogger<ProblemMiddleware> log)
{
    /// <summary>Runs the request.</summary>
    public async Task Invoke(HttpContext http)
    {
        try
        {
            await next(http);
        }
        catch (PostgresException e) when (ConstraintProblems.Of(e) is { } problem && !http.Response.HasStarted)
        {
            await ProblemResults.Of([problem]).ExecuteAsync(http);
        }
        catch (Exception e) when (IsUnreachable(e) && !http.Response.HasStarted)
        {
            log.LogWarning(e, "database cannot be reached while answering {Path}", http.Request.Path);
            await ProblemResults.Of(ProblemCode.DatabaseUnreachable).ExecuteAsync(http);
        }
        catch (BadHttpRequestException e) when (!http.Response.HasStarted)
        {
            await ProblemResults.Of(ProblemCode.NotUnderstood, "", e.InnerException?.Message ?? e.Message).ExecuteAsync(http);
        }
        catch (OperationCanceledException) when (http.RequestAborted.IsCancellationRequested)
        {
            log.LogDebug("the asker of {Path} went away", http.Request.Path);
        }
        catch (Exception e) when (!http.Response.HasStarted)
        {
            log.LogError(e, "broke while answering {Method} {Path}", http.Request.Method, http.Request.Path);
            await ProblemResults.Of(ProblemCode.ServerFault).ExecuteAsync(http);
        }
    }

    private static bool IsUnreachable(Exception e) =>
        e switch
        {
            PostgresException p => p.SqlState
                is PostgresErrorCodes.AdminShutdown
                    or PostgresErrorCodes.CrashShutdown
                    or PostgresErrorCodes.CannotConnectNow
                    or PostgresErrorCodes.TooManyConnections,
            NpgsqlException or SocketException => true,
            TimeoutException => true,
            _ => false,
        };
}
