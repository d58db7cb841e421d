using SideBench.Web.Features.HeadCare;
using SideBench.Web.Features.Nozzles;
using SideBench.Web.Features.StripDown;

namespace SideBench.Web.Plugs;

/// <summary>The crafts whose pages ship. A new one is added to this list.</summary>
public static class WebCrafts
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<WebCraft> House =
    [
        new WebCraft("Nozzles", routes => routes.MapNozzles())
        {
            Services = services => services.AddSingleton<SheetDesk>().AddSingleton<StandIns>(),
        },
        new WebCraft("StripDown", routes => routes.MapStripDown()),
        new WebCraft("HeadCare", routes => routes.MapHeadCare()),
    ];
}
