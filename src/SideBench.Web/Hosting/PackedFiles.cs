using Microsoft.AspNetCore.StaticFiles;

namespace SideBench.Web.Hosting;

/// <summary>
/// Hands out scripts, styles and fonts. Where a smaller form of a file stands beside it (made when the front end was built) and the asker
/// reads it, that form is handed out as it is: nothing is compressed twice.
/// </summary>
public static class PackedFiles
{
    private static readonly (string Coding, string Ending)[] Forms = [("br", ".br"), ("gzip", ".gz")];

    /// <summary>Adds the files to the order in which a request is handled.</summary>
    public static void UsePackedFiles(this WebApplication app)
    {
        var plain = new FileExtensionContentTypeProvider();
        var kinds = new FileExtensionContentTypeProvider();
        foreach (var (_, ending) in Forms)
            kinds.Mappings[ending] = "application/octet-stream";
        app.Use(
            (http, next) =>
            {
                if (Form(http.Request, app.Environment) is { } form)
                    http.Request.Path += form;
                return next(http);
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions
            {
                ContentTypeProvider = kinds,
                OnPrepareResponse = file =>
                {
                    var headers = file.Context.Response.Headers;
                    headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache";
                    // What is kept on the way is kept by form: the plain one too.
                    headers.Vary = "Accept-Encoding";
                    foreach (var (coding, ending) in Forms)
                    {
                        if (!file.File.Name.EndsWith(ending, StringComparison.Ordinal))
                            continue;
                        headers.ContentEncoding = coding;
                        if (plain.TryGetContentType(file.File.Name[..^ending.Length], out var kind))
                            headers.ContentType = kind;
                    }
                },
            }
        );
    }

    private static string? Form(HttpRequest asked, IWebHostEnvironment place)
    {
        if (asked.Headers.AcceptEncoding.Count == 0 || !Path.HasExtension(asked.Path) || asked.Path.StartsWithSegments("/api"))
            return null;
        var taken = asked.GetTypedHeaders().AcceptEncoding.Where(a => a.Quality is not 0).Select(a => a.Value.Value).ToList();
        var form = Forms.FirstOrDefault(f =>
            taken.Contains(f.Coding) && place.WebRootFileProvider.GetFileInfo(asked.Path + f.Ending).Exists
        );
        return form.Ending;
    }
}
