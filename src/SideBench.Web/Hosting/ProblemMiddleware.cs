using System.Net.Sockets;
using Npgsql;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Hosting;

/// <summary>Turns what the database and the framework refuse into problems a person can read.</summary>
public sealed class ProblemMiddleware(RequestDelegate next, ILogger<ProblemMiddleware> log)
{
    private const string NothingWritten = "Nothing was written.";

    /// <summary>Runs the request.</summary>
    public async Task Invoke(HttpContext http)
    {
        try
        {
            await next(http);
        }
        catch (OperationCanceledException) when (http.RequestAborted.IsCancellationRequested)
        {
            log.LogDebug("the asker of {Path} went away", http.Request.Path);
        }
        catch (Exception e) when (!http.Response.HasStarted)
        {
            await ProblemResults.Of([Of(e, http)]).ExecuteAsync(http);
        }
    }

    // What is said of a write is what is known of it: a request that only reads has written nothing.
    private Problem Of(Exception e, HttpContext http)
    {
        if (e is WriteFailed failed)
            return failed.IsKnown ? Of(e.InnerException!, http, NothingWritten) : NotKnown(e, http);
        return Of(e, http, HttpMethods.IsGet(http.Request.Method) ? NothingWritten : "");
    }

    private Problem Of(Exception e, HttpContext http, string known)
    {
        switch (e)
        {
            case PostgresException refused when ConstraintProblems.Of(refused) is { } problem:
                return problem;
            case BadHttpRequestException { InnerException: NotKeepable bad }:
                return bad.Problem;
            case BadHttpRequestException bad:
                return new Problem(ProblemCode.NotUnderstood, "", bad.InnerException?.Message ?? bad.Message);
            case InvalidDataException data:
                return new Problem(ProblemCode.NotUnderstood, "", data.Message);
            case PostgresException { SqlState: PostgresErrorCodes.DiskFull }:
                log.LogError(e, "the disk is full while answering {Method} {Path}", http.Request.Method, http.Request.Path);
                return new Problem(ProblemCode.DiskFull, "", known.Length > 0 ? known : "There is no room for it.");
            case var away when IsUnreachable(away):
                log.LogWarning(e, "database cannot be reached while answering {Path}", http.Request.Path);
                return new Problem(ProblemCode.DatabaseUnreachable, "", known.Length > 0 ? known : "They do not answer now.");
            default:
                log.LogError(e, "broke while answering {Method} {Path}", http.Request.Method, http.Request.Path);
                return new Problem(ProblemCode.ServerFault, "", known);
        }
    }

    private Problem NotKnown(Exception e, HttpContext http)
    {
        log.LogError(e, "the end of a write was lost while answering {Path}", http.Request.Path);
        return new Problem(ProblemCode.WriteNotKnown, "");
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
