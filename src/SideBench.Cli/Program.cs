Console.WriteLine("soon");
