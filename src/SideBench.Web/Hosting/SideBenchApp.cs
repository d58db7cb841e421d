using System.Text.Json.Serialization.Metadata;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.Extensions.Options;
using SideBench.Core.Bench;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Pictures;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Data.Shop;
using SideBench.Packs;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Features.Events;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Features.TakeIn;
using SideBench.Web.Features.Upkeep;
using SideBench.Web.Plugs;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Hosting;

/// <summary>Services and the order of the middleware.</summary>
public static class SideBenchApp
{
    /// <summary>Header that carries the safety token of a page.</summary>
    public const string TokenHeader = "X-Side-Bench-Token";

    /// <summary>Adds every service.</summary>
    public static void AddSideBench(
        this WebApplicationBuilder builder,
        Shop shop,
        string connectionString,
        string packFolders,
        Crafts? crafts = null,
        IReadOnlyList<WebCraft>? pages = null
    )
    {
        var services = builder.Services;
        builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        services.AddSingleton(shop).AddSingleton(new PackFolders(packFolders));
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton<BenchBooks>();
        services.AddSingleton(crafts ?? HouseCrafts.All).AddSingleton<EntryCodec>();
        services.AddSingleton(_ => Database.Open(connectionString));
        services.AddSingleton(s => new JobNews(Database.Alone(connectionString)));
        services
            .AddSingleton<EntryStore>()
            .AddSingleton<JobStore>()
            .AddSingleton<MachineStore>()
            .AddSingleton<PeopleStore>()
            .AddSingleton<SignInTries>()
            .AddSingleton<SignInStore>()
            .AddSingleton<FindStore>()
            .AddSingleton<VerdictStore>()
            .AddSingleton<PictureStore>();
        services.AddSingleton<GuardKeyStore>().AddSingleton<GuardKeys>();
        services
            .AddSingleton<MachineLives>()
            .AddSingleton<KnownLines>()
            .AddSingleton<Lives>()
            .AddSingleton<WorldStore>()
            .AddSingleton<WriteDesk>();
        foreach (var craft in pages ?? WebCrafts.House)
        {
            services.AddSingleton(craft);
            craft.Services?.Invoke(services);
        }

        services
            .AddSingleton<JobDesk>()
            .AddSingleton<PictureTurn>()
            .AddSingleton<ShopDesk>()
            .AddSingleton<TakeInDesk>()
            .AddSingleton<SignIn>()
            .AddSingleton<SignedIn>()
            .AddSingleton<AccountDesk>()
            .AddSingleton<FirstOwnerCode>()
            .AddSingleton(s => new BackupWatch(
                Environment.GetEnvironmentVariable(BackupWatch.Setting) ?? "",
                s.GetRequiredService<TimeProvider>().GetUtcNow(),
                s.GetRequiredService<TimeProvider>()
            ));
        services.AddSingleton<EventHub>().AddHostedService<DatabaseEar>();
        services.AddHealthChecks().AddCheck<DatabaseHealth>("database");
        services.AddOpenApi("v1", Description.Describe);
        services.ConfigureHttpJsonOptions(o =>
        {
            o.SerializerOptions.NumberHandling = System.Text.Json.Serialization.JsonNumberHandling.Strict;
            o.SerializerOptions.RespectNullableAnnotations = true;
            // Answers are never part of a page's text, so quotes and signs need no escaping there.
            o.SerializerOptions.Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
            o.SerializerOptions.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { KeepableJson.Look } };
        });
        services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        services.AddResponseCompression(o =>
        {
            o.EnableForHttps = true;
            // Answers are made anew each time: gzip costs less than it saves. Files stand compressed already.
            o.Providers.Add<GzipCompressionProvider>();
            o.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "application/problem+json"];
        });
        services.Configure<GzipCompressionProviderOptions>(o => o.Level = System.IO.Compression.CompressionLevel.Fastest);
        services.AddDataProtection().SetApplicationName("side-bench");
        services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(s => new ConfigureOptions<KeyManagementOptions>(o =>
            o.XmlRepository = s.GetRequiredService<GuardKeys>()
        ));
        services.AddAntiforgery(o =>
        {
            o.HeaderName = TokenHeader;
            o.Cookie.Name = "side-bench-form";
            o.Cookie.SameSite = SameSiteMode.Strict;
        });
        AddSignIn(services);
    }

    /// <summary>Sets the order in which a request is handled.</summary>
    public static void UseSideBench(this WebApplication app)
    {
        // Behind a proxy of this machine the address is the one that the proxy tells; nobody else is believed.
        app.UseForwardedHeaders(
            new ForwardedHeadersOptions { ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto }
        );
        app.UseMiddleware<ProblemMiddleware>();
        app.Use(OwnNames);
        app.Use(SafeHeaders);
        app.UseResponseCompression();
        app.UsePackedFiles();
        app.UseAuthentication();
        app.UseRateLimiter();
        app.Use(GuardForms);
        app.Use(KnownPeople);
        app.MapHealthChecks("/health");
        app.MapOpenApi("/openapi/{documentName}.json");
    }

    private static void AddSignIn(IServiceCollection services)
    {
        services
            .AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme)
            .AddCookie(o =>
            {
                o.Cookie.Name = "side-bench";
                o.Cookie.SameSite = SameSiteMode.Strict;
                o.Cookie.HttpOnly = true;
                o.ExpireTimeSpan = SignedIn.Idle;
                o.SlidingExpiration = true;
                o.EventsType = typeof(SignedIn);
            });
        services.AddRateLimiter(o =>
        {
            o.OnRejected = (context, _) => new ValueTask(ProblemResults.Of(ProblemCode.TooManyTries).ExecuteAsync(context.HttpContext));
            o.AddPolicy(
                AccountsEndpoints.Limit,
                http =>
                    RateLimitPartition.GetFixedWindowLimiter(
                        http.Connection.RemoteIpAddress?.ToString() ?? "local",
                        _ => new FixedWindowRateLimiterOptions
                        {
                            PermitLimit = 30,
                            Window = TimeSpan.FromMinutes(1),
                            QueueLimit = 0,
                        }
                    )
            );
        });
    }

    // A page elsewhere that gives its own name to our address is not answered: by address, as this machine, or by the names that are set.
    private static Task OwnNames(HttpContext http, RequestDelegate next)
    {
        var name = http.Request.Host.Host;
        return
            name.Length == 0
            || name == "localhost"
            || System.Net.IPAddress.TryParse(name.Trim('[', ']'), out _)
            || Settings.Hosts().Contains(name, StringComparer.OrdinalIgnoreCase)
            ? next(http)
            : ProblemResults.Of(ProblemCode.WrongHost, "", name[..Math.Min(name.Length, Guard.LongestName)]).ExecuteAsync(http);
    }

    // The description of the API is for who may use it.
    private static Task KnownPeople(HttpContext http, RequestDelegate next) =>
        http.Request.Path.StartsWithSegments("/openapi") && http.User.Identity?.IsAuthenticated != true
            ? ProblemResults.Of(ProblemCode.SignInNeeded).ExecuteAsync(http)
            : next(http);

    private static Task SafeHeaders(HttpContext http, RequestDelegate next)
    {
        var headers = http.Response.Headers;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        // What is of the shop is kept by no browser and no proxy, unless it says so itself.
        if (http.Request.Path.StartsWithSegments("/api"))
            headers.CacheControl = "no-store";
        headers.ContentSecurityPolicy =
            "default-src 'self'; img-src 'self' data:; style-src 'self' "
            + "'unsafe-inline'; object-src 'none'; base-uri 'self'; frame-ancestors 'none'";
        return next(http);
    }

    // Every write carries the token of the page it came from; a page elsewhere has none.
    private static async Task GuardForms(HttpContext http, RequestDelegate next)
    {
        var writes =
            http.Request.Path.StartsWithSegments("/api")
            && !HttpMethods.IsGet(http.Request.Method)
            && !HttpMethods.IsHead(http.Request.Method);
        // The token comes in its header alone: what is no form is never read as one.
        var hasToken = http.Request.Headers.ContainsKey(TokenHeader);
        if (writes && !(hasToken && await http.RequestServices.GetRequiredService<IAntiforgery>().IsRequestValidAsync(http)))
        {
            // A sign-in that ended makes the token old too; that is the thing to say first.
            var code =
                http.User.Identity?.IsAuthenticated == true || http.Request.Path.StartsWithSegments("/api/session")
                    ? ProblemCode.TokenOld
                    : ProblemCode.SignInNeeded;
            await ProblemResults.Of(code).ExecuteAsync(http);
            return;
        }

        await next(http);
    }
}
