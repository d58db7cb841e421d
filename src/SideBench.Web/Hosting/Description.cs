using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace SideBench.Web.Hosting;

/// <summary>Writes the API's description to a file, from which the front end's types are made; needs no database.</summary>
public static class Description
{
    private const string About =
        "The bench of a printer repair shop. Every write carries a key made for one press, and the version it saw: the same "
        + "key again is the same write. A refusal is problem+json with a code that never changes, and a pointer for each field.";

    /// <summary>What the description says of the API as a whole: its name, and how writes and refusals work.</summary>
    public static void Describe(OpenApiOptions options)
    {
        options.AddOperationTransformer(TellAct);
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Side Bench";
                document.Info.Version = "1";
                document.Info.Description = About;
                return Task.CompletedTask;
            }
        );
    }

    // What one must be allowed to do stands beside each operation.
    private static Task TellAct(OpenApiOperation operation, OpenApiOperationTransformerContext context, CancellationToken cancel)
    {
        if (context.Description.ActionDescriptor.EndpointMetadata.OfType<ActNeeded>().LastOrDefault() is { } needed)
            operation.AddExtension("x-act", new JsonNodeExtension(System.Text.Json.Nodes.JsonValue.Create($"{needed.Act}")));
        return Task.CompletedTask;
    }

    /// <summary>Writes it as JSON.</summary>
    public static async Task<int> Write(WebApplication app, string file)
    {
        app.Urls.Add("http://127.0.0.1:0");
        await app.StartAsync();
        var document = await app.Services.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1").GetOpenApiDocumentAsync();
        await File.WriteAllTextAsync(file, await document.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1));
        await app.StopAsync();
        return 0;
    }
}
