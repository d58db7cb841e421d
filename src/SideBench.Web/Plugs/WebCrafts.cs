using SideBench.Core.HeadCare;
using SideBench.Core.Ink;
using SideBench.Core.Waste;
using SideBench.Data.Shop;
using SideBench.Devices.ResetService;
using SideBench.Web.Features.Day;
using SideBench.Web.Features.Estimates;
using SideBench.Web.Features.HeadCare;
using SideBench.Web.Features.Ink;
using SideBench.Web.Features.Nozzles;
using SideBench.Web.Features.Own;
using SideBench.Web.Features.Shelf;
using SideBench.Web.Features.StripDown;
using SideBench.Web.Features.Sums;
using SideBench.Web.Features.Waste;
using SideBench.Web.Hosting;

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
        new WebCraft("HeadCare", routes => routes.MapHeadCare())
        {
            Advises = (job, shop, now) =>
                HeadAdvice.On(job, shop.Numbers.Of<HeadCareNumbers>(), shop.Numbers.Of<InkNumbers>(), shop.Numbers.Of<WasteNumbers>(), now),
        },
        new WebCraft("Ink", routes => routes.MapInk()) { Services = services => services.AddSingleton<ScaleDesk>() },
        new WebCraft("Waste", routes => routes.MapWaste())
        {
            Services = services => services.AddSingleton<IResetService, ResetServiceStandIn>().AddSingleton<WasteDesk>(),
        },
        new WebCraft("Shelf", routes => routes.MapShelf()) { Services = services => services.AddSingleton<ShelfDesk>() },
        new WebCraft("Day", routes => routes.MapDay())
        {
            Services = services =>
                services.AddSingleton<DayReminders>().AddSingleton<DayDesk>().AddSingleton<CalendarFeed>().AddSingleton<CalendarStore>(),
        },
        new WebCraft("Own", routes => routes.MapOwn()),
        new WebCraft("Sums", routes => routes.MapSums()),
        new WebCraft("Estimates", routes => routes.MapEstimates()),
    ];
}
