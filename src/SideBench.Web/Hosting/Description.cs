using Microsoft.AspNetCore.OpenApi;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.OpenApi;

namespace SideBench.Web.Hosting;

/// <summary>Prints the API's description, from which the front end's types are made; needs no database.</summary>
public static class Description
{
    /// <summary>Prints it as JSON.</summary>
    public static async Task<int> Print(WebApplication app)
    {
        var provider = app.Services.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1");
        var document = await provider.GetOpenApiDocumentAsync();
        Console.WriteLine(await document.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1));
        return 0;
    }
}
