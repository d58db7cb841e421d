using QRCoder;
using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Data.Jobs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Jobs;

/// <summary>What is printed: the tag that is tied to a machine, and the sheet that goes home with it.</summary>
public static class Papers
{
    /// <summary>The hand-over sheet.</summary>
    public static HandOverView HandOver(JobRow row, JobCase job, BenchBooks books)
    {
        var numbers = books.Shop.Numbers;
        var more = books
            .Crafts.All.Where(c => c.HandOverOnModel is not null)
            .Select(c => c.HandOverOnModel!(job.Book.Model, job.State, numbers.Of(c.Numbers!), books.Now));
        var sheet = HandOverSheet.Of(job, [.. more]);
        return new HandOverView(
            row.Id.Value,
            row.Tag,
            job.Book.Model.FullName,
            row.Serial,
            row.CustomerName,
            row.Words,
            row.OpenedAt,
            row.ClosedAt,
            sheet.Ending,
            sheet.Found,
            sheet.NotTheFault,
            sheet.Done,
            sheet.Used,
            sheet.Minutes,
            sheet.Labour.Amount,
            sheet.Parts.Amount,
            sheet.Total.Amount,
            sheet.Total.Currency,
            sheet.Watch,
            sheet.Cautions,
            sheet.CameBack,
            job.State.Closing is not null,
            job.State.HandOver is not null,
            job.State.Version
        );
    }

    /// <summary>The tag, with a code that a phone reads.</summary>
    public static TagView Tag(JobRow row, JobCase job, string link)
    {
        using var data = QRCodeGenerator.GenerateQrCode(link, QRCodeGenerator.ECCLevel.M);
        var svg = new SvgQRCode(data).GetGraphic(4, "#1b2023", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
        return new TagView(
            row.Id.Value,
            row.Tag,
            job.Book.Model.FullName,
            row.Serial,
            row.CustomerName,
            row.Words,
            row.PromiseAt,
            row.OpenedAt,
            job.State.Intake.Accessories,
            svg,
            link
        );
    }
}
