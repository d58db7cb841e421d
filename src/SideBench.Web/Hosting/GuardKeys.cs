using System.Xml.Linq;
using Microsoft.AspNetCore.DataProtection.Repositories;
using SideBench.Data.People;

namespace SideBench.Web.Hosting;

/// <summary>Keeps the keys behind cookies and forms in the database.</summary>
public sealed class GuardKeys(GuardKeyStore store) : IXmlRepository
{
    /// <inheritdoc/>
    public IReadOnlyCollection<XElement> GetAllElements() => [.. store.All().Select(XElement.Parse)];

    /// <inheritdoc/>
    public void StoreElement(XElement element, string friendlyName) =>
        store.Add(friendlyName, element.ToString(SaveOptions.DisableFormatting));
}
