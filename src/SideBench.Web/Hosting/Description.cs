using Microsoft.AspNetCore.OpenApi;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.OpenApi;

namespace SideBench.Web.Hosting;

/// <summary>Writes the API's description to a file, from which the front end's types are made; needs no database.</summary>
public static class Description
{
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
